<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Rendering\SiteAssets;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Popups\Popup;

/**
 * Where the script of pop-ups is, as an attribute of the page: it is fetched once the page is idle. Every page of a funnel that
 * has a pop-up asks, so that visits are known; none does while somebody pays.
 */
final class PopupsSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return ['asks' => ! $page->role->isQuiet()
            && array_filter($plan->popups, fn (Popup $p): bool => $p->on && ! $p->isPlaced()) !== []];
    }

    public function needs(string $of, array $noted): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        return ($noted['asks'] ?? false) === true ? ' data-popups="'.SiteAssets::popups().'"' : '';
    }
}
