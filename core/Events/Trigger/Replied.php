<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

/** The owner marks that somebody has replied to them: their mail is not read here. */
final readonly class Replied implements Trigger
{
    use WithoutFields;

    public const KEY = 'replied';

    public static function label(): string
    {
        return 'You mark that they replied';
    }

    public function words(callable $name): string
    {
        return 'Replied';
    }

    public function when(callable $name): string
    {
        return 'are marked as having replied';
    }
}
