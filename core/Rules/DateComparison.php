<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

/** How a moment is held against a day, or against so many days back from now. */
enum DateComparison: string
{
    case Within = 'within';
    case Longer = 'longer';
    case Before = 'before';
    case After = 'after';

    public function isOfDays(): bool
    {
        return $this === self::Within || $this === self::Longer;
    }
}
