<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use DateTimeZone;

/** Moments as a record of a rehearsal writes them: in UTC, to the second. */
final class Moments
{
    public static function written(DateTimeImmutable $at): string
    {
        return $at->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }
}
