<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Records\DeadlineOwner;
use App\Records\Runs;
use Carbon\CarbonImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\DeadlineStates;

/** Loads how some deadlines stand for one visitor, and notices those that are over. */
final class States
{
    /** @param  list<Deadline>  $deadlines */
    public static function of(array $deadlines, VisitorIdentity $identity, CarbonImmutable $now): DeadlineStates
    {
        $holders = [];
        foreach ($deadlines as $deadline) {
            $holders[$deadline->id] = [...$identity->holders($deadline), DeadlineOwner::everyone()->key];
        }
        $runs = Runs::of(array_values(array_unique(array_merge([], ...array_values($holders)))), $now, array_keys($holders));
        $states = DeadlineStates::of($deadlines, $runs, $now);
        foreach ($runs as $id => $run) {
            if (! $run->closed && $states->state($id) === DeadlineState::Over) {
                Runs::close($id, $holders[$id], $now);
            }
        }

        return $states;
    }
}
