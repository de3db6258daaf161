<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Deadlines\Running\DeadlineOwner;
use App\Deadlines\Running\Runs;
use Carbon\CarbonImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Deadlines\ShownState;

/** How some deadlines stand for one visitor at a moment. */
final readonly class States
{
    /**
     * @param  array<string, Run>  $runs  by deadline
     * @param  array<string, DeadlineState>  $states  by deadline
     */
    private function __construct(public array $runs, public array $states)
    {
    }

    /** @param  list<Deadline>  $deadlines */
    public static function of(array $deadlines, VisitorIdentity $identity, CarbonImmutable $now): self
    {
        $holders = [];
        foreach ($deadlines as $deadline) {
            $holders[$deadline->id] = [...$identity->holders($deadline), DeadlineOwner::everyone()->key];
        }
        $all = array_values(array_unique(array_merge([], ...array_values($holders))));
        $known = Runs::of($all, $now, array_keys($holders));
        $runs = $states = [];
        foreach ($deadlines as $deadline) {
            $run = $known[$deadline->id] ?? $deadline->forEveryone($now);
            $states[$deadline->id] = $state = $deadline->state($run, $now);
            if ($run !== null) {
                $runs[$deadline->id] = $run;
            }
            if ($state === DeadlineState::Over && isset($known[$deadline->id]) && ! $known[$deadline->id]->closed) {
                Runs::close($deadline->id, $holders[$deadline->id], $now);
            }
        }

        return new self($runs, $states);
    }

    /**
     * As the owner chose to look at them.
     *
     * @param  list<Deadline>  $deadlines
     */
    public static function shown(array $deadlines, ShownState $shown, CarbonImmutable $now): self
    {
        $runs = $states = [];
        foreach ($deadlines as $deadline) {
            $run = $shown->run($now);
            $states[$deadline->id] = $shown->state($now, $deadline);
            if ($run !== null) {
                $runs[$deadline->id] = $run;
            }
        }

        return new self($runs, $states);
    }

    public function state(string $deadline): DeadlineState
    {
        return $this->states[$deadline] ?? DeadlineState::NotStarted;
    }
}
