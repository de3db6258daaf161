<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\WallClock;

/** Days and moments as rules mean them. */
final class Moments
{
    /** A day there is, in the years from 1000 to 2999. */
    public static function isDay(string $day): bool
    {
        return preg_match('/^[12]\d{3}-\d{2}-\d{2}$/D', $day) === 1
            && checkdate((int) substr($day, 5, 2), (int) substr($day, 8, 2), (int) substr($day, 0, 4));
    }

    /** When a day begins: at midnight, or where the clocks skip it at the first moment that there is. */
    public static function begin(string $day, DateTimeZone $zone): DateTimeImmutable
    {
        return WallClock::at($day, '00:00', $zone);
    }

    /** The day so many days later in the calendar. */
    public static function nextDay(string $day, int $days = 1): string
    {
        return (new DateTimeImmutable($day, new DateTimeZone('UTC')))->modify("{$days} days")->format('Y-m-d');
    }

    /** So many whole days of 24 hours before a moment; to the millisecond, as moments are kept. */
    public static function back(DateTimeImmutable $now, int $days): DateTimeImmutable
    {
        $back = $now->setTimezone(new DateTimeZone('UTC'))->modify("-{$days} days");

        return new DateTimeImmutable($back->format('Y-m-d H:i:s.v'), new DateTimeZone('UTC'));
    }
}
