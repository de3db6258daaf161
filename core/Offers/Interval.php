<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\WallClock;

/** How far apart the payments of a plan are. */
enum Interval: string
{
    case Week = 'week';
    case Month = 'month';

    /**
     * When a payment is due, in UTC: on the same day of the week or of the month as the first, at the same time by the
     * clock in the zone. Where a month has no such day it is its last; the payment after it is again on the day of the first.
     *
     * @param  int  $number  of the payment: 1 for the first, which is due at once
     */
    public function due(DateTimeImmutable $first, int $number, DateTimeZone $zone): DateTimeImmutable
    {
        $local = $first->setTimezone($zone);
        $later = $number - 1;
        if ($this === self::Week) {
            $day = (new DateTimeImmutable($local->format('Y-m-d'), new DateTimeZone('UTC')))->modify('+'.(7 * $later).' days');
        } else {
            $month = (new DateTimeImmutable($local->format('Y-m-01'), new DateTimeZone('UTC')))->modify("+{$later} months");
            $day = $month->setDate((int) $month->format('Y'), (int) $month->format('n'),
                min((int) $local->format('j'), (int) $month->format('t')));
        }

        return WallClock::at($day->format('Y-m-d'), $local->format('H:i:s'), $zone);
    }
}
