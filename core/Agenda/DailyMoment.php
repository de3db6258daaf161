<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\WallClock;

/** Something that is done once a day, at an hour of somebody's own clock. */
final class DailyMoment
{
    /**
     * The moment for which it is due now, if it is.
     *
     * @param  int  $hour  from which on it is done
     * @param  DateTimeImmutable|null  $last  when it was done last
     */
    public static function due(int $hour, ?DateTimeImmutable $last, DateTimeImmutable $now, DateTimeZone $zone): ?DateTimeImmutable
    {
        $today = self::on($now->setTimezone($zone)->format('Y-m-d'), $hour, $zone);

        return $now < $today || ($last !== null && $last >= $today) ? null : $today;
    }

    /** When it is due next: today's moment if that is still to come or was not done yet, else tomorrow's. */
    public static function next(int $hour, ?DateTimeImmutable $last, DateTimeImmutable $now, DateTimeZone $zone): DateTimeImmutable
    {
        $day = $now->setTimezone($zone)->format('Y-m-d');
        $today = self::on($day, $hour, $zone);

        return $last === null || $last < $today ? $today
            : self::on((new DateTimeImmutable($day, new DateTimeZone('UTC')))->modify('+1 day')->format('Y-m-d'), $hour, $zone);
    }

    private static function on(string $day, int $hour, DateTimeZone $zone): DateTimeImmutable
    {
        return WallClock::at($day, sprintf('%02d:00', $hour), $zone);
    }
}
