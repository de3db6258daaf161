<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

use DateTimeImmutable;
use DateTimeZone;

/** Whoever the owner has spoken to makes room for the others. */
final class SpokenTo
{
    /** For so many days by the owner's clock. */
    public const DAYS = 14;

    /** Whoever was spoken to before this moment is one to write to again. */
    public static function longAgo(DateTimeImmutable $now, DateTimeZone $zone): DateTimeImmutable
    {
        return $now->setTimezone($zone)->modify('-'.self::DAYS.' days');
    }
}
