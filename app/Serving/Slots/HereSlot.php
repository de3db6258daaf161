<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Serving\Visit;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** The address of the page itself, to which its forms are sent. */
final class HereSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        return $visit->page->popup !== null ? "/p/{$visit->page->page_id}".($visit->request->boolean('frame') ? '?frame=1' : '')
            : e($visit->path($visit->page->address));
    }
}
