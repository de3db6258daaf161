<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

/** A deadline begins for them, if it may: one that has begun goes on as it is. */
final readonly class StartsDeadline implements Act
{
    use OfPart;

    private const KIND = 'start-deadline';

    private const FIELD = 'deadline';

    private const CHOOSE = 'Please choose a deadline.';

    public static function label(): string
    {
        return 'Start a deadline';
    }

    public function words(callable $name): string
    {
        return "{$this->called($name)} begins for them";
    }
}
