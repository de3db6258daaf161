<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use DateTimeZone;

/** Days and moments as rules mean them. */
final class Moments
{
    public static function isDay(string $day): bool
    {
        return preg_match('/^\d{4}-\d{2}-\d{2}$/D', $day) === 1
            && checkdate((int) substr($day, 5, 2), (int) substr($day, 8, 2), (int) substr($day, 0, 4));
    }

    /** So many whole days of 24 hours before a moment. */
    public static function back(DateTimeImmutable $now, int $days): DateTimeImmutable
    {
        return $now->setTimezone(new DateTimeZone('UTC'))->modify("-{$days} days");
    }
}
