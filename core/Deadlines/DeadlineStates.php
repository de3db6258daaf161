<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;

/** How some deadlines stand for one visitor at a moment. */
final readonly class DeadlineStates
{
    /**
     * @param  array<string, Run>  $runs  by deadline: those that run for them or ran
     * @param  array<string, DeadlineState>  $states  by deadline
     */
    private function __construct(public array $runs, public array $states)
    {
    }

    /**
     * @param  list<Deadline>  $deadlines
     * @param  array<string, Run>  $runs  by deadline, of this visitor; one for everyone runs for whoever has none
     */
    public static function of(array $deadlines, array $runs, DateTimeImmutable $now): self
    {
        $held = $states = [];
        foreach ($deadlines as $deadline) {
            $run = $runs[$deadline->id] ?? $deadline->forEveryone($now);
            $states[$deadline->id] = $deadline->state($run, $now);
            $held += $run === null ? [] : [$deadline->id => $run];
        }

        return new self($held, $states);
    }

    /**
     * As the owner chose to look at them.
     *
     * @param  list<Deadline>  $deadlines
     */
    public static function shown(array $deadlines, ShownState $shown, DateTimeImmutable $now): self
    {
        $runs = $states = [];
        foreach ($deadlines as $deadline) {
            $run = $shown->run($now);
            $states[$deadline->id] = $shown->state($now, $deadline);
            $runs += $run === null ? [] : [$deadline->id => $run];
        }

        return new self($runs, $states);
    }

    public function state(string $deadline): DeadlineState
    {
        return $this->states[$deadline] ?? DeadlineState::NotStarted;
    }
}
