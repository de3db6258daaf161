<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody buys, whatever it is. */
final readonly class Bought implements Trigger
{
    public const KEY = 'bought';

    public static function kind(): string
    {
        return 'bought';
    }

    public static function label(): string
    {
        return 'They buy';
    }

    public static function fields(): array
    {
        return [];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self;
    }

    public function key(): string
    {
        return self::KEY;
    }

    public function words(callable $name): string
    {
        return 'Bought';
    }

    public function when(callable $name): string
    {
        return 'buy';
    }

    public function references(): array
    {
        return [];
    }

    public function withIds(array $ids): self
    {
        return $this;
    }

    public function toArray(): array
    {
        return ['kind' => self::kind()];
    }
}
