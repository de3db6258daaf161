<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

use DateInterval;
use DateTimeImmutable;
use DateTimeZone;

/** Moments by the clock on somebody's wall. */
final class WallClock
{
    /**
     * The moment, in UTC, at which a clock in the zone shows this day and time. A time that the clocks skip becomes the
     * same distance into the hours that exist; of a time that happens twice the first is taken.
     *
     * @param  string  $day such as `2026-03-29`
     * @param  string  $time such as `09:00` or `09:00:12.345`
     */
    public static function at(string $day, string $time, DateTimeZone $zone): DateTimeImmutable
    {
        return self::first(new DateTimeImmutable("{$day} {$time}", $zone), $zone)->setTimezone(new DateTimeZone('UTC'));
    }

    /** Is it the name that a time zone has today, such as `Europe/Oslo`? `Asia/Calcutta` was an earlier name of one. */
    public static function isZone(string $name): bool
    {
        /** @var array<string, int>|null $known */
        static $known = null;
        $known ??= array_flip(DateTimeZone::listIdentifiers());

        return isset($known[$name]);
    }

    /** Is this a day of the calendar as it is written, such as `2027-03-09`? Any text may be asked about, of the years 1 to 9000. */
    public static function isDay(string $text): bool
    {
        return preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $text, $m) === 1 && (int) $m[1] <= 9000
            && checkdate((int) $m[2], (int) $m[3], (int) $m[1]);
    }

    /** Is this a moment as it is written, such as `2027-03-09T18:00`? Likewise. */
    public static function isMoment(string $text): bool
    {
        return self::isDay(substr($text, 0, 10)) && preg_match('/^T([01]\d|2[0-3]):[0-5]\d$/D', substr($text, 10)) === 1;
    }

    /** PHP is of two minds about which of two equal times it means, and moves on by itself over one that is skipped. */
    private static function first(DateTimeImmutable $wall, DateTimeZone $zone): DateTimeImmutable
    {
        $before = $wall->getTimestamp() - 86_400;
        foreach ($zone->getTransitions($before, $wall->getTimestamp() + 1) ?: [] as $transition) {
            $gained = ($offset ?? $transition['offset']) - $transition['offset'];
            $offset = $transition['offset'];
            $earlier = $gained > 0 ? $wall->sub(new DateInterval("PT{$gained}S")) : $wall;
            if ($gained > 0 && $earlier->format('Y-m-d H:i:s') === $wall->format('Y-m-d H:i:s')) {
                return $earlier;
            }
        }

        return $wall;
    }
}
