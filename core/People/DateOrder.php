<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/**
 * In which order a file writes its days. 03/04/2026 is one of two days; a file that elsewhere says 25/04/2026 writes the
 * day first, one that says 04/25/2026 the month. A file that does both, or neither, leaves it open.
 */
enum DateOrder: string
{
    case Open = '';
    case DayFirst = 'day-first';
    case MonthFirst = 'month-first';

    /** @param  iterable<string>  $lines  of the file, all of which are read */
    public static function of(iterable $lines): self
    {
        $day = $month = false;
        foreach ($lines as $line) {
            if (! str_contains($line, '/')) {
                continue;
            }
            preg_match_all('~(?<![\d/])(\d{1,2})/(\d{1,2})/\d{4}(?![\d/])~', $line, $found, PREG_SET_ORDER);
            foreach ($found as [, $one, $two]) {
                $day = $day || (self::within(13, $one, 31) && self::within(1, $two, 12));
                $month = $month || (self::within(1, $one, 12) && self::within(13, $two, 31));
            }
        }

        return $day === $month ? self::Open : ($day ? self::DayFirst : self::MonthFirst);
    }

    private static function within(int $least, string $number, int $most): bool
    {
        return (int) $number >= $least && (int) $number <= $most;
    }
}
