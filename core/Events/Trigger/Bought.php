<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

/** Somebody buys, whatever it is. */
final readonly class Bought implements Trigger
{
    use WithoutFields;

    public const KEY = 'bought';

    public static function label(): string
    {
        return 'They buy';
    }

    public function words(callable $name): string
    {
        return 'Bought';
    }

    public function when(callable $name): string
    {
        return 'buy';
    }
}
