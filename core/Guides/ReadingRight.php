<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

use DateTimeImmutable;

/** May somebody to whom a guide was given read it? */
final class ReadingRight
{
    /**
     * What the owner took back is closed, until they join anew: then it is given again, to the browser in which that was done.
     *
     * @param  DateTimeImmutable|null  $takenBack  when the owner took it back; null if they have not
     * @param  DateTimeImmutable|null  $joined  when the form was filled in by which they read; null where they came by an email
     */
    public static function holds(?DateTimeImmutable $takenBack, ?DateTimeImmutable $joined): bool
    {
        return $takenBack === null || ($joined !== null && $takenBack < $joined);
    }
}
