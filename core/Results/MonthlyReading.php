<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use DateTimeImmutable;
use DateTimeZone;

/**
 * How a period is added up from counts by month and by day. A month's piece of a count names the month before it on which the same one
 * was counted ({@see Tally}); one of the same month is left out of it, since whoever came twice in a month counts once in it. So of a
 * period count: whole months with the pieces whose month before lies before that of its first day; the days at its ends with the pieces
 * whose day before lies before its first day; and, where it begins within a month, of the whole months the days' pieces whose day
 * before lies in that month and before its first day.
 */
final readonly class MonthlyReading
{
    /**
     * @param  list<string>  $months  YYYY-MM, read whole
     * @param  string  $before  the month of the first day: pieces of whole months count whose month before lies before it
     * @param  list<array{string, string}>  $days  first and last of each stretch of days that are read one by one
     * @param  array{string, string}|null  $early  the days of the month of the first day that come before it
     */
    private function __construct(public array $months, public string $before, public array $days, public ?array $early)
    {
    }

    /** @param  list<string>  $built  the months there are counts of, in order */
    public static function of(Period $period, array $built): self
    {
        $months = $days = [];
        $next = $period->from;
        foreach ($built as $month) {
            [$first, $last] = self::daysOf($month);
            if ($first < $next || $last > $period->to) {
                continue;
            }
            if ($next < $first) {
                $days[] = [$next, self::day($first, '-1 day')];
            }
            $months[] = $month;
            $next = self::day($last, '+1 day');
        }
        if ($next <= $period->to) {
            $days[] = [$next, $period->to];
        }
        $month = substr($period->from, 0, 7);

        return new self($months, $month, $days, $months === [] || $period->from === "{$month}-01" ? null
            : ["{$month}-01", self::day($period->from, '-1 day')]);
    }

    /** @return array{string, string} the first and the last day of the whole months; for `early`, of which there are none without them */
    public function span(): array
    {
        return $this->months === [] ? ['', '']
            : [self::daysOf($this->months[0])[0], self::daysOf($this->months[count($this->months) - 1])[1]];
    }

    /** @return array{string, string} */
    private static function daysOf(string $month): array
    {
        return ["{$month}-01", self::day("{$month}-01", 'last day of this month')];
    }

    private static function day(string $from, string $by): string
    {
        return (new DateTimeImmutable($from, new DateTimeZone('UTC')))->modify($by)->format('Y-m-d');
    }
}
