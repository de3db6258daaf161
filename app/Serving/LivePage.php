<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\Funnel;
use App\Models\OldAddress;
use App\Models\Version;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Symfony\Component\HttpFoundation\Response;

/** The live page at an address, found without touching a draft. */
final readonly class LivePage
{
    /** @param  bool  $closed  is this the closed page, shown in place of the one that was asked for? */
    private function __construct(public Funnel $funnel, public Version $version, public PagePlan $page, public bool $closed = false)
    {
    }

    /** @return self|Response the page, or what to answer instead of it */
    public static function at(Request $request, string $funnelAddress, string $pageAddress): self|Response
    {
        $funnel = Funnel::query()->with(['liveVersion', 'business'])->where('address', $funnelAddress)->whereNull('archived_at')->first();
        if ($funnel === null) {
            return self::moved($request, $funnelAddress, $pageAddress);
        }
        $version = $funnel->liveVersion;
        if ($version === null || $funnel->state === 'draft') {
            return PlainPage::notHere()->response();
        }
        $plan = $version->plan();
        if ($funnel->state === 'closed') {
            $closed = $plan->pageOf(PageRole::Closed);

            return $closed === null ? PlainPage::closed()->response() : new self($funnel, $version, $closed, true);
        }
        $page = $plan->pageAt($pageAddress);
        if ($page !== null) {
            return new self($funnel, $version, $page);
        }
        $was = OldAddress::query()->where('funnel_id', $funnel->id)->where('address', $pageAddress)->whereNotNull('page_id')->latest('id')->value('page_id');
        $now = is_string($was) ? $plan->page($was) : null;

        return $now === null ? PlainPage::notHere()->response() : self::lead($request, $funnel->url($now->address));
    }

    /** A funnel's earlier address leads to the one it has today. */
    private static function moved(Request $request, string $address, string $page): Response
    {
        $id = OldAddress::query()->where('address', $address)->whereNull('page_id')->latest('id')->value('funnel_id');
        $funnel = is_string($id) ? Funnel::query()->whereNull('archived_at')->where('state', '!=', 'draft')->find($id) : null;

        return $funnel === null ? PlainPage::notHere()->response() : self::lead($request, $funnel->url($page));
    }

    private static function lead(Request $request, string $url): RedirectResponse
    {
        $query = $request->getQueryString() ?? '';

        // A form that was filled in goes along. A browser that kept the answer would go in circles once a version is rolled back.
        return new RedirectResponse($url.($query === '' ? '' : '?'.$query), $request->isMethod('POST') ? 308 : 301, ['Cache-Control' => 'no-cache']);
    }
}
