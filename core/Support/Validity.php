<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

use DateTimeImmutable;

/** For how long something that was handed out holds: a link, a ticket, a place that is kept. Its last moment is within. */
final class Validity
{
    public static function until(DateTimeImmutable $until, DateTimeImmutable $now): bool
    {
        return $now <= $until;
    }

    /** Is something that was told with its moment neither too old nor from a clock that runs ahead? Seconds are those either way. */
    public static function near(DateTimeImmutable $told, int $seconds, DateTimeImmutable $now): bool
    {
        return abs($now->getTimestamp() - $told->getTimestamp()) <= $seconds;
    }

    /** @param  int  $seconds  for which it holds from when it was handed out */
    public static function since(DateTimeImmutable $since, int $seconds, DateTimeImmutable $now): bool
    {
        return self::until($since->modify("+{$seconds} seconds"), $now);
    }
}
