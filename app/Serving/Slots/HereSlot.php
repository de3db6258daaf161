<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** The address of the page itself, to which its forms are sent. */
final class HereSlot implements Slot
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
        return $visit->isPopup ? "/p/{$visit->page}".(filter_var($visit->input('frame'), FILTER_VALIDATE_BOOLEAN) ? '?frame=1' : '')
            : Html::text($visit->here());
    }
}
