<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Rendering\PageAssets;
use App\Rendering\SiteAssets;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** What the page loads: its styles, fonts and script as they are built today. */
final class HeadSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return PageAssets::of($plan, $page)->toArray();
    }

    public function needs(string $of, array $noted): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        return SiteAssets::head(PageAssets::fromArray($noted), true);
    }
}
