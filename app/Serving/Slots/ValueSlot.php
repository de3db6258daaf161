<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** What was typed into a field, when its form is shown again. */
final class ValueSlot implements Slot
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
        $typed = $visit->typed[$of] ?? '';

        return is_string($typed) ? Html::text($typed) : '';
    }
}
