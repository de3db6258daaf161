<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

use DateTimeImmutable;

/**
 * When a payment of a plan that failed is tried again: 1, 3 and 7 days of 24 hours after the first try. After the last
 * the plan is in arrears.
 */
final class Retries
{
    private const DAYS = [1, 3, 7];

    /**
     * @param  int  $failed  how many tries have failed, 1 or more
     * @param  DateTimeImmutable  $first  when the first try failed
     * @return DateTimeImmutable|null null when it is not tried again by itself
     */
    public static function next(int $failed, DateTimeImmutable $first): ?DateTimeImmutable
    {
        $days = self::DAYS[$failed - 1] ?? null;

        return $days === null ? null : $first->modify('+'.($days * 24).' hours');
    }
}
