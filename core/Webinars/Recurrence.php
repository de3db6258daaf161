<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use Generator;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/**
 * Days that come again, as a subset of RFC 5545's rules: every so many weeks on some days of the week, or every so many months on a
 * day of the month, the last day, or a weekday such as the second Tuesday. Months without the day (the 31st in June) are left out,
 * as the standard has it.
 */
final readonly class Recurrence
{
    private const DAYS = [1 => 'MO', 2 => 'TU', 3 => 'WE', 4 => 'TH', 5 => 'FR', 6 => 'SA', 7 => 'SU'];

    private const NAMES = [1 => 'Monday', 2 => 'Tuesday', 3 => 'Wednesday', 4 => 'Thursday', 5 => 'Friday', 6 => 'Saturday', 7 => 'Sunday'];

    private const NTH = [1 => 'first', 2 => 'second', 3 => 'third', 4 => 'fourth', -1 => 'last'];

    /**
     * @param  string  $every  week or month
     * @param  int  $interval  1 for every one, 2 for every other …
     * @param  list<int>  $days  of the week, 1 for Monday to 7 for Sunday
     * @param  int  $nth  of a month: which of the weekdays, -1 for the last; 0 where a day of the month is meant
     * @param  int  $monthDay  1 to 31, or -1 for the last
     * @param  string  $from  the first day there can be, such as `2027-03-09`; weeks and months are counted from the one it is in
     * @param  string  $until  the last one; '' for no end
     */
    public function __construct(
        public string $every,
        public int $interval,
        public array $days,
        public int $nth,
        public int $monthDay,
        public string $from,
        public string $until = '',
    ) {
    }

    /** @throws Invalid */
    public static function fromShape(Shape $shape): self
    {
        $every = $shape->oneOf('every', ['week', 'month'], 'week');
        $days = array_values(array_unique($shape->integers('days', 7, 1, 7)));
        sort($days);
        $nth = $shape->integer('nth', -1, 4, 0);
        $monthDay = $shape->integer('monthDay', -1, 31, 1);
        if ($days === [] && ($every === 'week' || $nth !== 0)) {
            throw Invalid::at($shape->path('days'), 'Please choose at least one day of the week.');
        }
        if ($every === 'month' && $nth === 0 && $monthDay === 0) {
            throw Invalid::at($shape->path('monthDay'), 'Please choose a day of the month.');
        }
        $from = self::day($shape, 'from');
        $until = $shape->text('until', 10, '') === '' ? '' : self::day($shape, 'until');
        if ($until !== '' && $until < $from) {
            throw Invalid::at($shape->path('until'), 'It ends before it begins.');
        }

        return new self($every, $shape->integer('interval', 1, 12, 1), $every === 'week' || $nth !== 0 ? $days : [],
            $every === 'month' ? $nth : 0, $every === 'month' && $nth === 0 ? $monthDay : 0, $from, $until);
    }

    /** @throws Invalid for what is no day of the calendar */
    public static function day(Shape $shape, string $key): string
    {
        $day = $shape->text($key, 10);
        if (! WallClock::isDay($day)) {
            throw Invalid::at($shape->path($key), 'A day is written like 2027-03-09.');
        }

        return $day;
    }

    /**
     * The days within two, both included.
     *
     * @return Generator<string> such as `2027-03-09`, in order
     */
    public function between(string $first, string $last): Generator
    {
        $day = new DateTimeImmutable(max($first, $this->from));
        $end = new DateTimeImmutable($this->until === '' ? $last : min($last, $this->until));
        for (; $day <= $end; $day = $day->modify('+1 day')) {
            if ($this->has($day)) {
                yield $day->format('Y-m-d');
            }
        }
    }

    private function has(DateTimeImmutable $day): bool
    {
        $from = new DateTimeImmutable($this->from);
        if ($this->every === 'week') {
            $monday = fn (DateTimeImmutable $d): DateTimeImmutable => $d->modify('-'.((int) $d->format('N') - 1).' days');
            $weeks = intdiv((int) $monday($from)->diff($monday($day))->days, 7);

            return $weeks % $this->interval === 0 && in_array((int) $day->format('N'), $this->days, true);
        }
        $months = ((int) $day->format('Y') - (int) $from->format('Y')) * 12 + (int) $day->format('n') - (int) $from->format('n');
        if ($months % $this->interval !== 0) {
            return false;
        }
        $number = (int) $day->format('j');
        $left = (int) $day->format('t') - $number;
        if ($this->nth === 0) {
            return $this->monthDay === -1 ? $left === 0 : $number === $this->monthDay;
        }

        return in_array((int) $day->format('N'), $this->days, true)
            && ($this->nth === -1 ? $left < 7 : intdiv($number - 1, 7) + 1 === $this->nth);
    }

    /** As a rule of RFC 5545, for a calendar whose first day is the first of these. */
    public function rule(): string
    {
        $days = array_map(fn (int $d): string => ($this->nth === 0 ? '' : (string) $this->nth).self::DAYS[$d], $this->days);

        return 'FREQ='.($this->every === 'week' ? 'WEEKLY' : 'MONTHLY').($this->interval === 1 ? '' : ";INTERVAL={$this->interval}")
            .($days === [] ? ";BYMONTHDAY={$this->monthDay}" : ';BYDAY='.implode(',', $days)).($this->every === 'week' ? ';WKST=MO' : '')
            .($this->until === '' ? '' : ';UNTIL='.str_replace('-', '', $this->until).'T235959');
    }

    /** In a sentence: "every Tuesday and Thursday", "on the second Tuesday of every month". */
    public function words(): string
    {
        $names = array_map(fn (int $d): string => self::NAMES[$d], $this->days);
        $days = count($names) < 2 ? implode('', $names) : implode(', ', array_slice($names, 0, -1)).' and '.$names[count($names) - 1];
        if ($this->every === 'week') {
            return match ($this->interval) {
                1 => "every {$days}", 2 => "every other {$days}", default => "every {$this->interval} weeks on {$days}",
            };
        }
        $which = match (true) {
            $this->nth !== 0 => 'the '.self::NTH[$this->nth]." {$days}",
            $this->monthDay === -1 => 'the last day',
            default => "day {$this->monthDay}",
        };

        return "on {$which} of every ".($this->interval === 1 ? 'month' : "{$this->interval} months");
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'every' => Written::choice(['week', 'month']), 'interval' => Written::whole(1, 12),
            'days' => Written::listOf(Written::whole(1, 7), 7, '1 for Monday'),
            'nth' => Written::whole(-1, 4, 'which of the weekdays of a month; -1 for the last'), 'monthDay' => Written::whole(-1, 31),
            'from' => Written::ref('day'), 'until' => Written::ref('day'),
        ], ['every', 'from'], 'a subset of the rules of RFC 5545');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(['every' => $this->every, 'interval' => $this->interval === 1 ? 0 : $this->interval, 'days' => $this->days,
            'nth' => $this->nth, 'monthDay' => $this->monthDay, 'from' => $this->from, 'until' => $this->until],
            fn (mixed $v): bool => ! in_array($v, [0, '', []], true));
    }
}
