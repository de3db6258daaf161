<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use DateTimeImmutable;

/** What one visit is: views of pages of which none comes more than half an hour after the one before. */
final class Visits
{
    /** Seconds. */
    public const GAP = 1800;

    /** For so long a page that is open may still show one. Seconds. */
    public const OPEN = 12 * 3600;

    /** Does a view belong to the visit whose last view was then? One that is said to come before it, since a clock was put back, does. */
    public static function goesOn(DateTimeImmutable $last, DateTimeImmutable $now): bool
    {
        return $now->getTimestamp() - $last->getTimestamp() <= self::GAP;
    }
}
