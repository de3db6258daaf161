<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;

/** On which days of the week and between which hours emails may go out. */
final readonly class SendWindow
{
    /**
     * @param  list<int>  $days  ISO days of the week, 1 for Monday to 7 for Sunday, in order
     * @param  int  $from  the first hour, 0 to 23
     * @param  int  $to  the hour at which it closes, 1 to 24
     */
    public function __construct(public array $days, public int $from, public int $to)
    {
    }

    public static function always(): self
    {
        return new self([1, 2, 3, 4, 5, 6, 7], 0, 24);
    }

    /**
     * @param  list<int>  $days
     *
     * @throws Invalid when no day is left, or it closes before it opens
     */
    public static function of(array $days, int $from, int $to): self
    {
        $days = array_values(array_unique($days));
        sort($days);
        if ($days === [] || min($days) < 1 || max($days) > 7) {
            throw Invalid::at('window.days', 'Emails need at least one day of the week on which they may go out.');
        }
        if ($from < 0 || $to > 24 || $from >= $to) {
            throw Invalid::at('window.from', 'The hours in which emails may go out begin before they end.');
        }

        return new self($days, $from, $to);
    }

    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return self::always();
        }

        return self::of($shape->integers('days', 7, 1, 7), $shape->integer('from', 0, 23, 0), $shape->integer('to', 1, 24, 24));
    }

    public function isAlways(): bool
    {
        return count($this->days) === 7 && $this->from === 0 && $this->to === 24;
    }

    /** Does it stand open at this moment? */
    public function holds(DateTimeImmutable $at, DateTimeZone $zone): bool
    {
        $local = $at->setTimezone($zone);
        $hour = (int) $local->format('G');

        return in_array((int) $local->format('N'), $this->days, true) && $hour >= $this->from && $hour < $this->to;
    }

    /**
     * The first moment, in UTC, that is not before the given one and lies within the window: that very moment if it
     * stands open, else the next opening. An opening hour that the clocks skip on that day is the first moment that
     * exists after it, if the window still stands open then.
     */
    public function next(DateTimeImmutable $at, DateTimeZone $zone): DateTimeImmutable
    {
        $utc = new DateTimeZone('UTC');
        if ($this->holds($at, $zone)) {
            return $at->setTimezone($utc);
        }
        $day = new DateTimeImmutable($at->setTimezone($zone)->format('Y-m-d'), $utc);
        // Eight days hold every day of the week and today's once more; one more for an opening the clocks skip.
        for ($i = 0; $i <= 15; $i++) {
            if (in_array((int) $day->format('N'), $this->days, true)) {
                $opens = WallClock::at($day->format('Y-m-d'), sprintf('%02d:00', $this->from), $zone);
                if ($opens >= $at && $this->holds($opens, $zone)) {
                    return $opens;
                }
            }
            $day = $day->modify('+1 day');
        }

        return $at->setTimezone($utc);
    }

    /** In words: "Monday to Friday, 9 to 18", or nothing if it always stands open. */
    public function label(): string
    {
        if ($this->isAlways()) {
            return '';
        }
        $names = [1 => 'Monday', 2 => 'Tuesday', 3 => 'Wednesday', 4 => 'Thursday', 5 => 'Friday', 6 => 'Saturday', 7 => 'Sunday'];
        $count = count($this->days);
        $run = $count > 2 && $count - 1 === $this->days[$count - 1] - $this->days[0];
        $days = match (true) {
            $count === 7 => 'every day',
            $run => $names[$this->days[0]].' to '.$names[$this->days[$count - 1]],
            default => implode(', ', array_map(fn (int $d): string => $names[$d], $this->days)),
        };

        return $days.($this->from === 0 && $this->to === 24 ? '' : sprintf(', %02d:00 to %02d:00', $this->from, $this->to));
    }

    /** @return array{}|array{days: list<int>, from: int, to: int} */
    public function toArray(): array
    {
        return $this->isAlways() ? [] : ['days' => $this->days, 'from' => $this->from, 'to' => $this->to];
    }
}
