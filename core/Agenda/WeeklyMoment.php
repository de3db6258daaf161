<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\WallClock;

/** Something that is done each Monday, at an hour of somebody's own clock. */
final class WeeklyMoment
{
    /**
     * The moment for which it is due now, if it is: that of this week, unless it was done since.
     *
     * @param  int  $hour  from which on it is done
     * @param  DateTimeImmutable|null  $last  when it was done last
     */
    public static function due(int $hour, ?DateTimeImmutable $last, DateTimeImmutable $now, DateTimeZone $zone): ?DateTimeImmutable
    {
        $monday = self::on($now->setTimezone($zone)->modify('monday this week')->format('Y-m-d'), $hour, $zone);

        return $now < $monday || ($last !== null && $last >= $monday) ? null : $monday;
    }

    /** When it is due next: this week's moment if that is still to come or was not done yet, else the next week's. */
    public static function next(int $hour, ?DateTimeImmutable $last, DateTimeImmutable $now, DateTimeZone $zone): DateTimeImmutable
    {
        $day = $now->setTimezone($zone)->modify('monday this week')->format('Y-m-d');
        $monday = self::on($day, $hour, $zone);

        return $last === null || $last < $monday ? $monday
            : self::on((new DateTimeImmutable($day, new DateTimeZone('UTC')))->modify('+7 days')->format('Y-m-d'), $hour, $zone);
    }

    private static function on(string $day, int $hour, DateTimeZone $zone): DateTimeImmutable
    {
        return WallClock::at($day, sprintf('%02d:00', $hour), $zone);
    }
}
