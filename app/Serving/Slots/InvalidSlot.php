<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** Attributes of a field with which something is wrong. The first such field has the focus. */
final class InvalidSlot implements Slot
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
        if (! isset($visit->errors[$of]) || $of === 'form') {
            return '';
        }

        return 'aria-invalid="true" aria-describedby="e-'.Html::text($of).'"'.($of === array_key_first($visit->errors) ? ' autofocus' : '');
    }
}
