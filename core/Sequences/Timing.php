<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Webinars\RegisteredSession;

/** When the emails of a sequence are due, for one person in it. All moments are in UTC. */
final class Timing
{
    /** @var array<string, DateTimeImmutable> moments worked out before, by delay and day: a hundred thousand people enter on few days */
    private array $known = [];

    /**
     * @param  DateTimeZone  $reader  the person's own zone, or the owner's where it is not known
     */
    public function __construct(
        private readonly SequencePlan $sequence,
        private readonly DateTimeZone $reader,
        private readonly DateTimeZone $owner,
    ) {
    }

    public function zone(): DateTimeZone
    {
        return $this->sequence->byReader ? $this->reader : $this->owner;
    }

    /**
     * When an email is due for somebody who entered the sequence at `$start`. An email that goes out at once answers
     * what its reader just did and does not wait for the window; every other one does.
     *
     * @param  int  $paused  seconds that the sequence stood still since they entered it; they count as if they had not passed
     */
    public function due(Delay $delay, DateTimeImmutable $start, int $paused = 0): DateTimeImmutable
    {
        $start = $paused === 0 ? $start : $start->modify("+{$paused} seconds");
        if ($delay->hour === null) {
            return $this->within($delay, $start);
        }
        // At an hour of the day it is due at one moment for all who entered on one day.
        $day = "{$delay->days}|{$delay->hour}|{$start->setTimezone($this->zone())->format('Y-m-d')}";

        return $this->known[$day] ??= $this->within($delay, $start);
    }

    /**
     * When an email is due, be it told from entering the sequence, or from a deadline or a session of the person.
     *
     * @param  array<string, Run>  $deadlines  of the person, by id
     * @param  array<string, RegisteredSession>  $registrations  likewise, by the id of the webinar
     * @return DateTimeImmutable|null nothing while the deadline it is told from has not begun for them, or they have no place in a session
     */
    public function moment(EmailPlan $email, DateTimeImmutable $start, int $paused, array $deadlines,
        array $registrations = []): ?DateTimeImmutable
    {
        $timing = $email->timing;
        if ($timing instanceof Delay) {
            return $this->due($timing, $start, $paused);
        }
        if ($timing instanceof DeadlineMoment) {
            $run = $deadlines[$timing->deadline] ?? null;

            return $run === null ? null : $this->byDeadline($timing, $run);
        }
        $registered = $registrations[$timing->webinar] ?? null;
        $due = $registered === null ? null : $timing->dueFor($registered);

        return $due === null || $timing->isUrgent() ? $due : $this->sequence->window->next($due, $this->zone());
    }

    /** It waits for the window, unless it would then warn of an end that has passed: what ends in the night is told in the night. */
    private function byDeadline(DeadlineMoment $by, Run $run): DateTimeImmutable
    {
        $due = $by->at($run, $this->zone());
        $opens = $this->sequence->window->next($due, $this->zone());

        return $due < $run->endsAt && $opens >= $run->endsAt ? $due : $opens;
    }

    /**
     * A delay in days keeps its hour: from a day on which nothing goes out it moves to the same hour of the next one on
     * which something does. Only an hour at which the window never stands open becomes its next opening.
     */
    private function within(Delay $delay, DateTimeImmutable $start): DateTimeImmutable
    {
        // By the hour as it is told: one that a change of the clocks moves into the window for a day is outside it all the same.
        $keeps = $delay->days > 0 && $this->sequence->window->hasHour($delay->hour
            ?? (int) $start->setTimezone($this->zone())->format('G'));
        for ($later = 0; $keeps && $later < 7; $later++) {
            $due = $delay->from($start, $this->zone(), $later);
            if ($this->sequence->window->holds($due, $this->zone())) {
                return $due;
            }
        }
        $due = $delay->from($start, $this->zone());

        return $delay->isAtOnce() ? $due : $this->sequence->window->next($due, $this->zone());
    }

    /**
     * When an email that was due may go out, if a worker only comes to it now: now, or where the window has closed
     * meanwhile at its next opening.
     */
    public function notBefore(EmailPlan $email, DateTimeImmutable $now): DateTimeImmutable
    {
        $timing = $email->timing;
        $waits = match (true) {
            $timing instanceof Delay => ! $timing->isAtOnce(),
            $timing instanceof DeadlineMoment => false,
            default => ! $timing->isUrgent(),
        };

        return $waits ? $this->sequence->window->next($now, $this->zone()) : $now->setTimezone(new DateTimeZone('UTC'));
    }

    /**
     * Seconds of a pause that count for somebody: those after they entered.
     */
    public static function pausedFor(DateTimeImmutable $started, DateTimeImmutable $from, DateTimeImmutable $to): int
    {
        return max(0, $to->getTimestamp() - max($from->getTimestamp(), $started->getTimestamp()));
    }
}
