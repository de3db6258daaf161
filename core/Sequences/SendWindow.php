<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** On which days of the week and between which hours emails may go out. */
final readonly class SendWindow
{
    /** A window of one day a week that the clocks skip opens a week later; days. */
    private const FURTHEST = 16;

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

    /** Does an hour of the day lie within it, on the days on which it opens? */
    public function hasHour(int $hour): bool
    {
        return $hour >= $this->from && $hour < $this->to;
    }

    /** Does it stand open at this moment? */
    public function holds(DateTimeImmutable $at, DateTimeZone $zone): bool
    {
        $local = $at->setTimezone($zone);
        $hour = (int) $local->format('G');

        return in_array((int) $local->format('N'), $this->days, true) && $hour >= $this->from && $hour < $this->to;
    }

    /**
     * The first moment, in UTC, that is not before the given one and lies within the window ({@see self::holds()}): that very
     * moment if it stands open, else the next opening. Where the clocks skip the opening, that is the moment to which they
     * jump, if the window stands open then; where they go back into the window, it opens once more.
     */
    public function next(DateTimeImmutable $at, DateTimeZone $zone): DateTimeImmutable
    {
        $utc = new DateTimeZone('UTC');
        if ($this->holds($at, $zone)) {
            return $at->setTimezone($utc);
        }
        $from = $at->getTimestamp();
        $end = $from + self::FURTHEST * 86_400;
        $steps = $zone->getTransitions($from, $end) ?: [['ts' => $from, 'offset' => $zone->getOffset($at)]];
        foreach ($steps as $i => $step) {
            // Between two changes the clock on the wall and the time that passes differ by a fixed number of seconds.
            $opens = $this->opening($step['ts'] + $step['offset'], ($steps[$i + 1]['ts'] ?? $end) + $step['offset']);
            if ($opens !== null) {
                return (new DateTimeImmutable('@'.($opens - $step['offset'])))->setTimezone($utc);
            }
        }

        return $at->setTimezone($utc);
    }

    /**
     * The first second within the window on a clock that runs from one second to another without a jump; all in seconds of
     * that clock since 1970.
     */
    private function opening(int $from, int $end): ?int
    {
        for ($day = (int) floor($from / 86_400); $day * 86_400 < $end; $day++) {
            // 1 January 1970 was a Thursday.
            $weekday = 1 + (($day + 3) % 7 + 7) % 7;
            $opens = max($from, $day * 86_400 + $this->from * 3600);
            if ($opens < min($end, $day * 86_400 + $this->to * 3600) && in_array($weekday, $this->days, true)) {
                return $opens;
            }
        }

        return null;
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

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'days' => Written::listOf(Written::whole(1, 7), 7, '1 is Monday'), 'from' => Written::whole(0, 23), 'to' => Written::whole(1,
                24),
        ], ['days'], 'on which days and in which hours; always where it is not said');
    }

    /** @return array{}|array{days: list<int>, from: int, to: int} */
    public function toArray(): array
    {
        return $this->isAlways() ? [] : ['days' => $this->days, 'from' => $this->from, 'to' => $this->to];
    }
}
