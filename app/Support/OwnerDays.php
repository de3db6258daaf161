<?php

declare(strict_types=1);

namespace App\Support;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Results\Days;

/** Days of very many moments, as they are stored, in an owner's zone. */
final class OwnerDays
{
    private const KEPT = 100_000;

    /** @var array<string, string> */
    private static array $days = [];

    /** Worked out once for each quarter of an hour, since in no zone a day begins within one. */
    public static function of(string $at, DateTimeZone $zone): string
    {
        $quarter = $zone->getName().substr($at, 0, 14).intdiv((int) substr($at, 14, 2), 15);
        if (! isset(self::$days[$quarter])) {
            self::$days = count(self::$days) < self::KEPT ? self::$days : [];
            self::$days[$quarter] = Days::of(new DateTimeImmutable($at, new DateTimeZone('UTC')), $zone);
        }

        return self::$days[$quarter];
    }
}
