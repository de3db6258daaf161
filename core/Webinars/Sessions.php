<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateInterval;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\WallClock;

/**
 * Which sessions there are, and which of them somebody is offered. A session's key says all of it: `s202703091700` begins at that
 * moment in UTC for everybody, `n…` likewise, shortly after somebody registered; `w202703091800` at that time of day in each
 * visitor's own zone; `d` whenever its person likes.
 *
 * A time that the clocks skip lies as far into the hours that exist; of one that happens twice the first is taken
 * ({@see WallClock::at()}). Two times of a schedule that come to one moment that way are one session.
 */
final readonly class Sessions
{
    public function __construct(private Schedule $schedule)
    {
    }

    /**
     * The sessions that are offered now: those that can be registered for, and those that are full and have a waiting list.
     *
     * @param  DateTimeZone  $zone  the visitor's
     * @param  array<string, int>  $taken  places taken, by key
     * @param  list<string>  $off  keys of sessions that were cancelled
     * @return list<SessionChoice> in order
     */
    public function offered(DateTimeImmutable $now, DateTimeZone $zone, array $taken = [], array $off = []): array
    {
        $offered = [];
        foreach ($this->between($now, $now->add(new DateInterval("P{$this->schedule->ahead}D")), $zone, $now) as $session) {
            $choice = $this->choice($session, $now, $taken[$session->key] ?? 0);
            if (in_array($choice->state, [SessionState::Open, SessionState::Full], true) && ! in_array($session->key, $off, true)) {
                $offered[] = $choice;
            }
            if (count($offered) === $this->schedule->offered) {
                break;
            }
        }

        return $offered;
    }

    /**
     * All sessions that begin within two moments, for whom that zone is theirs; for a calendar, and for who watches over rooms.
     * Sessions that begin soon after registering are there for one moment of registering alone.
     *
     * @param  DateTimeImmutable|null  $registered  when somebody registers, for sessions that begin soon after it
     * @return list<Session> in order
     */
    public function between(DateTimeImmutable $from, DateTimeImmutable $until, DateTimeZone $zone,
        ?DateTimeImmutable $registered = null): array
    {
        if ($this->schedule->kind === ScheduleKind::OnDemand) {
            return [$this->session('d', $registered ?? $from, $zone)];
        }
        if ($this->schedule->kind === ScheduleKind::Soon) {
            return $this->soon($registered ?? $from, $until, $zone);
        }
        $sessions = [];
        $told = $this->toldIn($zone);
        $utc = new DateTimeZone('UTC');
        // One that began before midnight may still be joined. Days are counted on the calendar, which has those that a zone left out:
        // a session told for such a day begins on the day after it.
        $first = (new DateTimeImmutable($from->setTimezone($told)->format('Y-m-d'), $utc))->modify('-2 days')->format('Y-m-d');
        $last = $until->setTimezone($told)->format('Y-m-d');
        foreach ($this->walls($first, $last) as [$day, $time]) {
            if ($this->isBlackedOut($day)) {
                continue;
            }
            $at = WallClock::at($day, $time, $told);
            // One that has begun and can be joined late still counts.
            $lasts = $at->modify('+'.max(0, -$this->schedule->closes).' minutes');
            if ($lasts >= $from && $at < $until) {
                $key = $this->schedule->theirs ? 'w'.str_replace(['-', ':'], '', $day.$time) : 's'.$at->setTimezone($utc)->format('YmdHi');
                $sessions[$at->getTimestamp()] ??= $this->session($key, $at, $told);
            }
        }
        ksort($sessions);

        return array_values($sessions);
    }

    /**
     * The session that a key names, if the schedule has it: nobody can register for one that was made up, or belongs to another
     * webinar. Whether it is over is said by {@see self::choice()}.
     *
     * @param  DateTimeZone  $zone  the visitor's
     */
    public function find(string $key, DateTimeZone $zone, DateTimeImmutable $now): ?Session
    {
        if ($key === 'd') {
            return $this->schedule->kind === ScheduleKind::OnDemand ? $this->session('d', $now, $zone) : null;
        }
        if (preg_match('/^([swn])(\d{4})(\d{2})(\d{2})(\d{2})(\d{2})$/D', $key, $m) !== 1 || ! checkdate((int) $m[3], (int) $m[4],
            (int) $m[2])
            || (int) $m[5] > 23 || (int) $m[6] > 59) {
            return null;
        }
        $day = "{$m[2]}-{$m[3]}-{$m[4]}";
        $time = "{$m[5]}:{$m[6]}";
        if ($m[1] === 'n') {
            $at = new DateTimeImmutable("{$day} {$time}", new DateTimeZone('UTC'));
            $seen = $this->schedule->kind === ScheduleKind::Soon && $this->isBoundary($at, $zone) && ! $this->isQuiet($at, $zone)
                && ! $this->isBlackedOut($at->setTimezone($zone)->format('Y-m-d'));

            return $seen ? $this->session($key, $at, $zone) : null;
        }
        $at = $m[1] === 'w' ? WallClock::at($day, $time, $zone) : new DateTimeImmutable("{$day} {$time}", new DateTimeZone('UTC'));
        foreach ($this->between($at, $at->modify('+1 minute'), $zone) as $session) {
            if ($session->key === $key) {
                return $session;
            }
        }

        return null;
    }

    /** @param  int  $taken  places that are taken */
    public function choice(Session $session, DateTimeImmutable $now, int $taken): SessionChoice
    {
        $left = $this->schedule->places === null ? null : max(0, $this->schedule->places - $taken);

        return new SessionChoice($session, match (true) {
            $session->key === 'd' => $left === 0 ? SessionState::Full : SessionState::Open,
            $now >= $session->endsAt => SessionState::Past,
            $now >= $this->closesAt($session) => SessionState::Closed,
            $left === 0 => SessionState::Full,
            default => SessionState::Open,
        }, $left);
    }

    /** From when on nobody can register for it. Nobody asks of the one that begins whenever its person likes. */
    public function closesAt(Session $session): DateTimeImmutable
    {
        return min($session->startsAt->modify('-'.$this->schedule->closes.' minutes'), $session->endsAt);
    }

    /** @return iterable<array{string, string}> day and time on the wall where they are told */
    private function walls(string $first, string $last): iterable
    {
        if ($this->schedule->kind === ScheduleKind::Dates) {
            foreach ($this->schedule->dates as $date) {
                if (substr($date, 0, 10) >= $first && substr($date, 0, 10) <= $last) {
                    yield [substr($date, 0, 10), substr($date, 11)];
                }
            }

            return;
        }
        foreach ($this->schedule->recurrence?->between($first, $last) ?? [] as $day) {
            foreach ($this->schedule->times as $time) {
                yield [$day, $time];
            }
        }
    }

    /**
     * The next quarter, half or full hours by the visitor's own clock, of which each lies outside the quiet hours.
     *
     * @return list<Session>
     */
    private function soon(DateTimeImmutable $now, DateTimeImmutable $until, DateTimeZone $zone): array
    {
        $sessions = [];
        $utc = new DateTimeZone('UTC');
        $most = min($until->getTimestamp(), $now->getTimestamp() + 86_400 * $this->schedule->ahead);
        // By quarter hours, since the hours of a wall may come to lie between those of before where its clocks change.
        for ($at = intdiv($now->getTimestamp(), 900) * 900 + 900; $at < $most && count($sessions) < $this->schedule->offered; $at += 900) {
            $moment = (new DateTimeImmutable("@{$at}"))->setTimezone($utc);
            if ($this->isBoundary($moment, $zone) && ! $this->isQuiet($moment, $zone)
                && ! $this->isBlackedOut($moment->setTimezone($zone)->format('Y-m-d'))) {
                $sessions[] = $this->session('n'.$moment->format('YmdHi'), $moment, $zone);
            }
        }

        return $sessions;
    }

    private function isBoundary(DateTimeImmutable $at, DateTimeZone $zone): bool
    {
        return (int) $at->setTimezone($zone)->format('i') % $this->schedule->step === 0 && $at->getTimestamp() % 60 === 0;
    }

    private function isQuiet(DateTimeImmutable $at, DateTimeZone $zone): bool
    {
        $from = $this->schedule->quietFrom;
        $until = $this->schedule->quietUntil;
        $hour = (int) $at->setTimezone($zone)->format('G');

        return $from >= 0 && $from !== $until && ($from < $until ? $hour >= $from && $hour < $until : $hour >= $from || $hour < $until);
    }

    private function isBlackedOut(string $day): bool
    {
        return array_filter($this->schedule->blackouts, fn (DayRange $r): bool => $r->has($day)) !== [];
    }

    private function toldIn(DateTimeZone $visitor): DateTimeZone
    {
        return $this->schedule->theirs ? $visitor : new DateTimeZone($this->schedule->zone);
    }

    private function session(string $key, DateTimeImmutable $at, DateTimeZone $zone): Session
    {
        $utc = $at->setTimezone(new DateTimeZone('UTC'));

        return new Session($key, $utc, $utc->modify("+{$this->schedule->minutes} minutes"), $zone);
    }
}
