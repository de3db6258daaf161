<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

/** Somebody becomes warm by what they do, who was not before. */
final readonly class BecameWarm implements Trigger
{
    use WithoutFields;

    public const KEY = 'became-warm';

    public static function label(): string
    {
        return 'They become warm';
    }

    public function words(callable $name): string
    {
        return 'Became warm';
    }

    public function when(callable $name): string
    {
        return 'become warm';
    }
}
