<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/**
 * How long after joining an email goes out: at once, after so many minutes or hours of elapsed time, or after so
 * many calendar days, at the hour of joining or at a set hour of the day.
 */
final readonly class Delay
{
    public const MOST_DAYS = 365;

    private function __construct(public int $minutes, public int $days, public ?int $hour)
    {
    }

    public static function atOnce(): self
    {
        return new self(0, 0, null);
    }

    /** @throws Invalid below nothing or above thirty days */
    public static function minutes(int $minutes): self
    {
        if ($minutes < 0 || $minutes > 30 * 24 * 60) {
            throw Invalid::at('delay', 'A delay in minutes is between none and thirty days.');
        }

        return new self($minutes, 0, null);
    }

    /**
     * @param  int  $days  calendar days, 1 to 365
     * @param  int|null  $hour  hour of the day, 0 to 23, in the zone the delay is computed in
     */
    public static function days(int $days, ?int $hour = null): self
    {
        if ($days < 1 || $days > self::MOST_DAYS) {
            throw Invalid::at('delay', 'A delay in days is between one day and a year.');
        }
        if ($hour !== null && ($hour < 0 || $hour > 23)) {
            throw Invalid::at('delay', 'An hour of the day is between 0 and 23.');
        }

        return new self(0, $days, $hour);
    }

    public static function fromShape(Shape $shape): self
    {
        $hour = $shape->has('hour') ? $shape->integer('hour', 0, 23) : null;
        $days = $shape->integer('days', 0, self::MOST_DAYS, 0);

        return $days > 0 ? self::days($days, $hour) : self::minutes($shape->integer('minutes', 0, 30 * 24 * 60, 0));
    }

    /**
     * The moment the email is due, in UTC. Days are calendar days in the zone: across a change of the clocks the
     * email stays at the same hour on the wall. An hour that the clocks skip becomes the next one that exists; of
     * an hour that happens twice the first is taken. An email set to an hour of the day is never due before a
     * whole day's date has passed, since `days` is at least one.
     *
     * @param  int  $later  calendar days more, for a delay in days
     */
    public function from(DateTimeImmutable $joined, DateTimeZone $zone, int $later = 0): DateTimeImmutable
    {
        $utc = new DateTimeZone('UTC');
        if ($this->days === 0) {
            return $joined->setTimezone($utc)->modify("+{$this->minutes} minutes");
        }
        $local = $joined->setTimezone($zone);
        $day = (new DateTimeImmutable($local->format('Y-m-d'), $utc))->modify('+'.($this->days + $later).' days')->format('Y-m-d');
        $time = $this->hour === null ? $local->format('H:i:s.u') : sprintf('%02d:00', $this->hour);

        return WallClock::at($day, $time, $zone);
    }

    public function isAtOnce(): bool
    {
        return $this->minutes === 0 && $this->days === 0;
    }

    /** Where the email stands on a time scale that begins with joining, in minutes; days without an hour count 1,440. */
    public function offset(): int
    {
        return $this->minutes + $this->days * 1440;
    }

    /** In words: "at once", "2 hours later", "day 3 at 09:00". */
    public function words(): string
    {
        if ($this->days > 0) {
            return "day {$this->days}".($this->hour === null ? '' : sprintf(' at %02d:00', $this->hour));
        }

        return match (true) {
            $this->minutes === 0 => 'at once',
            $this->minutes % 60 === 0 => $this->minutes === 60 ? '1 hour later' : intdiv($this->minutes, 60).' hours later',
            default => $this->minutes === 1 ? '1 minute later' : "{$this->minutes} minutes later",
        };
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return ['properties' => [
            'minutes' => Written::whole(0, 30 * 24 * 60, 'elapsed time'),
            'days' => Written::whole(1, self::MOST_DAYS, 'calendar days in the reader\'s zone'), 'hour' => Written::whole(0, 23),
        ]];
    }

    /** @return array<string, int> */
    public function toArray(): array
    {
        $parts = ['minutes' => $this->minutes, 'days' => $this->days];

        return array_filter($parts) + ($this->hour === null ? [] : ['hour' => $this->hour]);
    }
}
