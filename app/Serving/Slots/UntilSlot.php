<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** When a deadline ends for this visitor, as attributes of what shows itself when that is near; none while it does not run. */
final class UntilSlot implements Slot
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
        $run = $visit->states?->state($of)->isRunning() === true ? $visit->states->runs[$of] ?? null : null;
        $milliseconds = fn (\DateTimeInterface $at): string => $at->format('Uv');

        return $run === null ? '' : ' data-until="'.$milliseconds($run->endsAt).'" data-now="'.$milliseconds($visit->now).'"';
    }
}
