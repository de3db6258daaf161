<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** What the reader of a guide has written. */
final class AnswerSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return [];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::reading()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        return Html::text($visit->loaded->reading()->said[$of] ?? '');
    }
}
