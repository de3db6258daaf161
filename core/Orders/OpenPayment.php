<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

use DateTimeImmutable;

/** A payment of which the provider has never heard: its buyer may be about to pay, or gone. */
final class OpenPayment
{
    /**
     * @param  DateTimeImmutable|null  $askedAt  when it was written down to be asked for; null where it never was
     * @param  int  $minutes  for which a buyer is waited for
     */
    public static function isGivenUp(?DateTimeImmutable $askedAt, int $minutes, DateTimeImmutable $now): bool
    {
        return $askedAt === null || $now > $askedAt->modify("+{$minutes} minutes");
    }
}
