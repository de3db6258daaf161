<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/**
 * The replay of a webinar: from when, until when, and for whom. It opens so many minutes after the end of a person's own session.
 * It ends some days after the day of that session, at a time of the day in their zone, or at one moment for everyone; with both,
 * at the earlier.
 */
final readonly class Replay
{
    public const MOST_DELAY = 20_160;

    public const MOST_DAYS = 365;

    /**
     * @param  int  $delay  minutes after the end of the session
     * @param  int|null  $days  calendar days after the day on which their session began; null for no end of their own
     * @param  string  $time  at which it ends on that day, such as `20:00`
     * @param  string  $until  the moment for everyone, such as `2027-03-20T20:00` in the host's zone; '' for none
     */
    public function __construct(
        public int $delay = 60,
        public ?int $days = 3,
        public string $time = '23:00',
        public string $until = '',
        public ReplayAudience $for = ReplayAudience::Registered,
    ) {
    }

    /** @throws Invalid */
    public static function fromShape(Shape $shape): self
    {
        $time = $shape->text('time', 5, '23:00');
        if (preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $time) !== 1) {
            throw Invalid::at($shape->path('time'), 'A time is written like 20:00.');
        }
        $until = $shape->text('until', 16, '');
        if ($until !== '' && ! WallClock::isMoment($until)) {
            throw Invalid::at($shape->path('until'), 'A moment is written like 2027-03-20T20:00.');
        }

        return new self($shape->integer('delay', 0, self::MOST_DELAY, 60),
            $shape->has('days') ? $shape->integer('days', 0, self::MOST_DAYS) : null, $time, $until,
            $shape->choice('for', ReplayAudience::class, ReplayAudience::Registered->value));
    }

    /**
     * For whoever was to be in a session.
     *
     * @param  DateTimeZone  $zone  theirs
     * @param  DateTimeZone  $hosts  in which the moment for everyone is told
     * @return ReplayWindow|null nothing where it would be over before it opens
     */
    public function window(Session $session, DateTimeZone $zone, DateTimeZone $hosts): ?ReplayWindow
    {
        $opens = $session->endsAt->modify("+{$this->delay} minutes");
        $ends = [];
        if ($this->days !== null) {
            $day = new DateTimeImmutable($session->startsAt->setTimezone($zone)->format('Y-m-d'), new DateTimeZone('UTC'));
            $ends[] = WallClock::at($day->modify("+{$this->days} days")->format('Y-m-d'), $this->time, $zone);
        }
        if ($this->until !== '') {
            $ends[] = WallClock::at(substr($this->until, 0, 10), substr($this->until, 11), $hosts);
        }
        $end = $ends === [] ? null : min($ends);

        return $end !== null && $end <= $opens ? null : new ReplayWindow($opens, $end);
    }

    /**
     * @param  list<AttendanceOutcome>  $outcomes  of the session itself
     */
    public function state(Session $session, DateTimeZone $zone, DateTimeZone $hosts, array $outcomes, DateTimeImmutable $now): ReplayState
    {
        // Before its end nobody has attended for good, or missed it.
        if ($now >= $session->endsAt && ! $this->for->has($outcomes)) {
            return ReplayState::Closed;
        }
        $window = $this->window($session, $zone, $hosts);

        return $window?->state($now) ?? ($now < $session->endsAt ? ReplayState::Soon : ReplayState::Over);
    }

    /**
     * May a device tell that it was played: is it open, or was it so a moment ago? Nothing else that is told of it is believed.
     *
     * @param  list<AttendanceOutcome>  $outcomes  of the session itself
     * @param  int  $late  seconds for which a device may still tell of what it played before
     */
    public function mayBeTold(Session $session, DateTimeZone $zone, DateTimeZone $hosts, array $outcomes, DateTimeImmutable $now,
        int $late): bool
    {
        return $this->state($session, $zone, $hosts, $outcomes, $now) === ReplayState::Open
            || $this->state($session, $zone, $hosts, $outcomes, $now->modify("-{$late} seconds")) === ReplayState::Open;
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'delay' => Written::whole(0, self::MOST_DELAY, 'minutes after the end of the session'),
            'days' => Written::whole(0, self::MOST_DAYS, 'after the day of their own session'),
            'time' => Written::shaped('^\\d{2}:\\d{2}$', description: 'at which it ends on that day, in their zone'),
            'until' => Written::ref('moment', 'for everyone, in the host\'s zone'), 'for' => Written::choice(ReplayAudience::class),
        ]);
    }

    /** @return array<string, int|string> */
    public function toArray(): array
    {
        return ['delay' => $this->delay] + ($this->days === null ? [] : ['days' => $this->days, 'time' => $this->time])
            + ($this->until === '' ? [] : ['until' => $this->until])
            + ($this->for === ReplayAudience::Registered ? [] : ['for' => $this->for->value]);
    }
}
