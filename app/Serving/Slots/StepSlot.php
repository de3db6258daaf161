<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** Which step of a form is shown: the second one to whoever has sent the first in this browser. */
final class StepSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return [];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::submission()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $second = ($visit->typed['step'] ?? '') === '2' || ($visit->query['step'] ?? null) === '2';

        return $second && $visit->loaded->submission()?->form === $of ? 'at-2' : '';
    }
}
