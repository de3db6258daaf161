<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

/** Somebody joins, by whatever form of the business it is. */
final readonly class SignedUp implements Trigger
{
    use WithoutFields;

    public const KEY = 'signup';

    public static function label(): string
    {
        return 'They join, by any form';
    }

    public function words(callable $name): string
    {
        return 'Joined';
    }

    public function when(callable $name): string
    {
        return 'join';
    }
}
