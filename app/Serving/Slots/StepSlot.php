<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Serving\Visit;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** Which step of a form is shown: the second one to whoever has sent the first in this browser. */
final class StepSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        $second = ($visit->typed['step'] ?? '') === '2' || $visit->request->query('step') === '2';

        return $second && $visit->submission?->form_id === $of ? 'at-2' : '';
    }
}
