<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

use DateTimeImmutable;

/** What is due, for all: one list of next moments, in the order in which they are worked off. */
final readonly class Agenda
{
    /** @var list<NextMoment> */
    public array $moments;

    /** @param  iterable<NextMoment|null>  $moments  nothing for what is not due at all */
    public function __construct(iterable $moments)
    {
        $list = [];
        foreach ($moments as $moment) {
            if ($moment !== null) {
                $list[] = $moment;
            }
        }
        $order = array_flip(array_map(fn (Task $t): string => $t->name, Task::cases()));
        usort($list, fn (NextMoment $a, NextMoment $b): int => [$a->at, $order[$a->task->name]] <=> [$b->at, $order[$b->task->name]]);
        $this->moments = $list;
    }

    /**
     * What is to be done now. A machine that slept has much of it: what was due at one moment goes by what follows from what, and so
     * does all that is late together, since one piece of work does all that is due of its kind.
     *
     * @return list<Task>
     */
    public function due(DateTimeImmutable $now): array
    {
        $due = array_map(fn (NextMoment $m): Task => $m->task, array_filter($this->moments, fn (NextMoment $m): bool => $m->at <= $now));

        return array_values(array_filter(Task::cases(), fn (Task $t): bool => in_array($t, $due, true)));
    }

    /** When to look again; null where nothing is planned. */
    public function next(DateTimeImmutable $now): ?DateTimeImmutable
    {
        foreach ($this->moments as $moment) {
            if ($moment->at > $now) {
                return $moment->at;
            }
        }

        return null;
    }
}
