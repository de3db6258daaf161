<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Serving\Visit;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** What is wrong with a field. */
final class ErrorSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        $message = $visit->errors[$of] ?? null;

        return $message === null ? '' : '<span class="error" id="e-'.e($of).'">'.e($message).'</span>';
    }
}
