<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** The address of the whole site, in front of addresses that must be whole. */
final class SiteSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return [];
    }

    public function needs(string $of, array $noted): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        return Html::text($visit->site->origin.$visit->site->prefix);
    }
}
