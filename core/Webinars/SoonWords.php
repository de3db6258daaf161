<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;

/** When a session that is near begins, as its host is told. */
final class SoonWords
{
    /** "begins today at 19:00", "begins tomorrow at 09:30", "begins on 3 June at 09:30"; "runs now" once it has begun. */
    public static function of(DateTimeImmutable $startsAt, DateTimeImmutable $now, DateTimeZone $zone): string
    {
        if ($startsAt <= $now) {
            return 'runs now';
        }
        $at = $startsAt->setTimezone($zone);
        $today = $now->setTimezone($zone);
        $day = match ($at->format('Y-m-d')) {
            $today->format('Y-m-d') => 'today',
            $today->modify('+1 day')->format('Y-m-d') => 'tomorrow',
            default => 'on '.$at->format('j F'),
        };

        return "begins {$day} at {$at->format('H:i')}";
    }
}
