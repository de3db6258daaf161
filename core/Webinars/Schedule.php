<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/** When a webinar's sessions are, how long each takes, and who can still register. */
final readonly class Schedule
{
    public const MOST_DATES = 60;

    public const MOST_TIMES = 8;

    /** So many dates are told one by one. */
    private const TOLD = 2;

    /** Minutes between two starts of sessions that begin soon after registering. */
    public const STEPS = [15, 30, 60];

    /**
     * @param  string  $zone  the host's, by its IANA name
     * @param  bool  $theirs  are days and times those of the visitor's own zone?
     * @param  list<string>  $dates  such as `2027-03-09T18:00`, of {@see ScheduleKind::Dates}
     * @param  list<string>  $times  such as `18:00`, of {@see ScheduleKind::Recurring}
     * @param  int  $step  one of {@see self::STEPS}
     * @param  int  $quietFrom  the hour of the visitor's day from which on none begins soon; -1 for never
     * @param  int  $quietUntil  the hour at which that ends; it may lie after midnight
     * @param  list<DayRange>  $blackouts  days without a session, in the zone in which days are told
     * @param  int  $minutes  how long a session takes
     * @param  int  $offered  how many are offered at once
     * @param  int  $ahead  how many days ahead
     * @param  int  $closes  minutes before the start at which registration closes; below 0 for after it
     * @param  int|null  $places  for each session; null for any number
     */
    public function __construct(
        public ScheduleKind $kind,
        public string $zone,
        public bool $theirs = false,
        public array $dates = [],
        public ?Recurrence $recurrence = null,
        public array $times = [],
        public int $step = 15,
        public int $quietFrom = -1,
        public int $quietUntil = 7,
        public array $blackouts = [],
        public int $minutes = 60,
        public int $offered = 3,
        public int $ahead = 30,
        public int $closes = 0,
        public ?int $places = null,
    ) {
    }

    /** @throws Invalid */
    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('kind', ScheduleKind::class);
        $zone = $shape->text('zone', 60);
        if (! WallClock::isZone($zone)) {
            throw Invalid::at($shape->path('zone'), 'There is no such time zone.');
        }
        $dates = array_values(array_unique($shape->texts('dates', self::MOST_DATES, 16)));
        sort($dates);
        foreach ($dates as $date) {
            if (! WallClock::isMoment($date)) {
                throw Invalid::at($shape->path('dates'), 'A moment is written like 2027-03-09T18:00.');
            }
        }
        $times = array_values(array_unique($shape->texts('times', self::MOST_TIMES, 5)));
        sort($times);
        foreach ($times as $time) {
            if (preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $time) !== 1) {
                throw Invalid::at($shape->path('times'), 'A time is written like 18:00.');
            }
        }
        $recurrence = $shape->optionalGroup('recurrence');
        if ($kind === ScheduleKind::Recurring && ($recurrence === null || $times === [])) {
            throw Invalid::at($shape->path('times'), 'Please say on which days, and at what time.');
        }
        $step = $shape->integer('step', 15, 60, 15);
        if (! in_array($step, self::STEPS, true)) {
            throw Invalid::at($shape->path('step'), 'This is none of: 15, 30, 60.');
        }

        return new self($kind, $zone, $shape->flag('theirs'), $dates, $recurrence === null ? null : Recurrence::fromShape($recurrence),
            $times, $step, $shape->integer('quietFrom', -1, 23, -1), $shape->integer('quietUntil', 0, 23, 7),
            array_map(DayRange::fromShape(...), $shape->groups('blackouts', 40)), $shape->integer('minutes', 1, 720, 60),
            $shape->integer('offered', 1, 12, 3), $shape->integer('ahead', 1, 400, 30), $shape->integer('closes', -720, 20_160, 0),
            $shape->has('places') ? $shape->integer('places', 1, 100_000) : null);
    }

    /** In a sentence: "every Tuesday at 18:00, Europe/Berlin", "at the next quarter of an hour". */
    public function words(): string
    {
        $where = $this->theirs ? 'each visitor’s own time' : str_replace('_', ' ', $this->zone);

        return match ($this->kind) {
            ScheduleKind::OnDemand => 'whenever somebody likes',
            ScheduleKind::Soon => 'at the next '.match ($this->step) {
                15 => 'quarter of an hour', 30 => 'half hour', default => 'full hour',
            },
            ScheduleKind::Recurring => ($this->recurrence?->words() ?? '').' at '.self::list($this->times).", {$where}",
            ScheduleKind::Dates => $this->datesInWords().", {$where}",
        };
    }

    /** All of them as long as they are few; else how many there are, from when until when. */
    private function datesInWords(): string
    {
        $words = fn (string $date, string $format): string => (new DateTimeImmutable($date))->format($format);
        $count = count($this->dates);

        return match (true) {
            $count === 0 => 'on no date yet',
            $count <= self::TOLD => 'on '.self::list(array_map(fn (string $d): string => $words($d, 'j F Y \a\t H:i'), $this->dates)),
            default => "on {$count} dates, from {$words($this->dates[0], 'j F Y')} to {$words($this->dates[$count - 1], 'j F Y')}",
        };
    }

    /** @param  list<string>  $words */
    private static function list(array $words): string
    {
        return count($words) < 2 ? implode('', $words)
            : implode(', ', array_slice($words, 0, -1)).' and '.$words[count($words) - 1];
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'kind' => Written::choice(ScheduleKind::class), 'zone' => Written::text(60, 'the host\'s, by its IANA name'),
            'theirs' => Written::flag('are days and times those of each visitor\'s own zone?'),
            'dates' => Written::listOf(Written::ref('moment'), self::MOST_DATES), 'recurrence' => Recurrence::schema(),
            'times' => Written::listOf(Written::shaped('^\\d{2}:\\d{2}$'), self::MOST_TIMES),
            'step' => Written::choice(self::STEPS, 'minutes between two starts of sessions that begin soon after registering'),
            'quietFrom' => Written::whole(-1, 23, 'the hour from which none begins soon'), 'quietUntil' => Written::whole(0, 23),
            'blackouts' => Written::listOf(DayRange::schema(), 40), 'minutes' => Written::whole(1, 720), 'offered' => Written::whole(1, 12),
            'ahead' => Written::whole(1, 400, 'days'), 'closes' => Written::whole(-720, 20_160, 'minutes before the start'),
            'places' => Written::whole(1, 100_000, 'of each session'),
        ], ['kind', 'zone']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'zone' => $this->zone] + ($this->theirs ? ['theirs' => true] : [])
            + array_filter(['dates' => $this->dates, 'recurrence' => $this->recurrence?->toArray() ?? [], 'times' => $this->times])
            + ($this->kind === ScheduleKind::Soon ? ['step' => $this->step] : [])
            + ($this->quietFrom < 0 ? [] : ['quietFrom' => $this->quietFrom, 'quietUntil' => $this->quietUntil])
            + ($this->blackouts === [] ? [] : ['blackouts' => array_map(fn (DayRange $r): array => $r->toArray(), $this->blackouts)])
            + ['minutes' => $this->minutes, 'offered' => $this->offered, 'ahead' => $this->ahead]
            + ($this->closes === 0 ? [] : ['closes' => $this->closes]) + ($this->places === null ? [] : ['places' => $this->places]);
    }
}
