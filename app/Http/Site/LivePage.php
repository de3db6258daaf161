<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Funnel;
use App\Models\Version;
use Lantern\Core\Funnel\PagePlan;

/** The live page at an address, found without touching a draft. */
final readonly class LivePage
{
    private function __construct(public Funnel $funnel, public Version $version, public PagePlan $page)
    {
    }

    /**
     * @return self|Notice the page, or what to show instead of it
     */
    public static function at(string $funnelAddress, string $pageAddress): self|Notice
    {
        $funnel = Funnel::query()->with(['liveVersion', 'business'])->where('address', $funnelAddress)->whereNull('archived_at')->first();
        $version = $funnel?->liveVersion;
        if ($funnel === null || $version === null || $funnel->state === 'draft') {
            return Notice::notHere();
        }
        if ($funnel->state === 'closed') {
            return Notice::closed();
        }
        $page = $version->plan()->pageAt($pageAddress);

        return $page === null ? Notice::notHere() : new self($funnel, $version, $page);
    }
}
