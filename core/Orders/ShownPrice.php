<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

use DateTimeImmutable;

/**
 * Whether a price that a buyer was shown still holds when they pay. Whoever saw a lower price within the hour gets it;
 * for everybody else the price of today holds, and they are asked again where it is another one than they saw.
 */
final class ShownPrice
{
    public const HOURS = 1;

    /**
     * @param  int  $shown  what they saw, in smallest units; likewise `today`
     * @param  DateTimeImmutable  $at  when they saw it
     */
    public static function holds(int $shown, int $today, DateTimeImmutable $at, DateTimeImmutable $now): bool
    {
        return $shown < $today && $at <= $now && $now <= $at->modify('+'.self::HOURS.' hour');
    }
}
