<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;

/** Where an owner may move the end of somebody's deadline by hand. */
final class MovedEnd
{
    public const MOST_YEARS = 2;

    /** @return string|null why not, in one sentence; nothing where it may be moved there */
    public static function refusal(DateTimeImmutable $to, DateTimeImmutable $now): ?string
    {
        return match (true) {
            $to <= $now => 'Choose a moment that is still to come. To end it now, press “End it”.',
            $to > $now->modify('+'.self::MOST_YEARS.' years') => 'Choose a moment within the next two years.',
            default => null,
        };
    }
}
