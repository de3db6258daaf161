<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/**
 * How long a personal deadline lasts: so many minutes of elapsed time, or so many calendar days, until the hour at which it
 * began or until a set time of the day.
 */
final readonly class Duration
{
    public const MOST_DAYS = 365;

    public const MOST_MINUTES = self::MOST_DAYS * 24 * 60;

    /** @param  string  $time  such as `20:00`; '' for the time of the day at which it began */
    private function __construct(public int $minutes, public int $days, public string $time)
    {
    }

    /** @throws Invalid for less than a minute or more than 365 days */
    public static function minutes(int $minutes, string $path = 'minutes'): self
    {
        if ($minutes < 1 || $minutes > self::MOST_MINUTES) {
            throw Invalid::at($path, 'A deadline lasts from one minute to '.self::MOST_DAYS.' days.');
        }

        return new self($minutes, 0, '');
    }

    /**
     * @param  int  $days  calendar days, 1 to 365
     *
     * @throws Invalid for other numbers of days, and for what is no time of a day
     */
    public static function days(int $days, string $time = '', string $path = 'days'): self
    {
        if ($days < 1 || $days > self::MOST_DAYS) {
            throw Invalid::at($path, 'A deadline lasts from one minute to '.self::MOST_DAYS.' days.');
        }
        if ($time !== '' && preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $time) !== 1) {
            throw Invalid::at($path, 'A time of the day is written like 20:00.');
        }

        return new self(0, $days, $time);
    }

    public static function fromShape(Shape $shape): self
    {
        return $shape->has('days')
            ? self::days($shape->integer('days', PHP_INT_MIN, PHP_INT_MAX), $shape->text('time', 20, ''), $shape->path('days'))
            : self::minutes($shape->integer('minutes', PHP_INT_MIN, PHP_INT_MAX), $shape->path('minutes'));
    }

    /**
     * When it ends for somebody for whom it began at a moment; in UTC. Days are calendar days in the zone: the nth day after the
     * one on which it began there. A time that the clocks skip becomes the same distance into the hours that exist, one that
     * happens twice the first of the two ({@see WallClock::at()}).
     */
    public function from(DateTimeImmutable $start, DateTimeZone $zone): DateTimeImmutable
    {
        $utc = new DateTimeZone('UTC');
        if ($this->days === 0) {
            return $start->setTimezone($utc)->modify("+{$this->minutes} minutes");
        }
        $local = $start->setTimezone($zone);
        $day = (new DateTimeImmutable($local->format('Y-m-d'), $utc))->modify("+{$this->days} days")->format('Y-m-d');

        return WallClock::at($day, $this->time === '' ? $local->format('H:i:s.u') : $this->time, $zone);
    }

    /** The shortest time it can last, in minutes: with a time of the day, it may begin just before midnight. */
    public function shortest(): int
    {
        if ($this->days === 0) {
            return $this->minutes;
        }
        [$hours, $minutes] = $this->time === '' ? [0, 0] : array_map(intval(...), explode(':', $this->time));

        return $this->time === '' ? $this->days * 1440 : ($this->days - 1) * 1440 + $hours * 60 + $minutes;
    }

    /** Where it ends on a time scale that begins with its start, in minutes. */
    public function offset(): int
    {
        return $this->days === 0 ? $this->minutes : $this->days * 1440;
    }

    /** In words: "15 minutes", "2 hours", "3 days", "3 days until 20:00 their time". */
    public function words(): string
    {
        $n = fn (int $count, string $one): string => $count === 1 ? "1 {$one}" : "{$count} {$one}s";

        return match (true) {
            $this->days > 0 => $n($this->days, 'day').($this->time === '' ? '' : " until {$this->time} their time"),
            $this->minutes % 60 === 0 => $n(intdiv($this->minutes, 60), 'hour'),
            default => $n($this->minutes, 'minute'),
        };
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'minutes' => Written::whole(1, self::MOST_MINUTES), 'days' => Written::whole(1, self::MOST_DAYS),
            'time' => Written::shaped('^([01][0-9]|2[0-3]):[0-5][0-9]$'),
        ], description: 'elapsed minutes, or calendar days until a time of the day in the person\'s zone')
            + ['oneOf' => [['required' => ['minutes']], ['required' => ['days']]]];
    }

    /** @return array<string, int|string> */
    public function toArray(): array
    {
        return $this->days === 0 ? ['minutes' => $this->minutes]
            : ['days' => $this->days] + ($this->time === '' ? [] : ['time' => $this->time]);
    }
}
