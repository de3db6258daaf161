<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use DateTimeImmutable;
use DateTimeZone;

/** Calendar days in a zone. */
final class Days
{
    /** The date of a moment in a zone, as YYYY-MM-DD. */
    public static function of(DateTimeImmutable $moment, DateTimeZone $zone): string
    {
        return $moment->setTimezone($zone)->format('Y-m-d');
    }

    /**
     * The last `$count` dates up to and including today, oldest first. Counted on the calendar, so a day of 23 or
     * 25 hours is neither skipped nor doubled.
     *
     * @return list<string>
     */
    public static function last(int $count, DateTimeImmutable $now, DateTimeZone $zone): array
    {
        $today = new DateTimeImmutable(self::of($now, $zone), new DateTimeZone('UTC'));
        $days = [];
        for ($back = max(1, $count) - 1; $back >= 0; $back--) {
            $days[] = $today->modify("-{$back} days")->format('Y-m-d');
        }

        return $days;
    }
}
