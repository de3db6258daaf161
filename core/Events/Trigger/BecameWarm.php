<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody becomes warm by what they do, who was not before. */
final readonly class BecameWarm implements Trigger
{
    public const KEY = 'became-warm';

    public static function kind(): string
    {
        return 'became-warm';
    }

    public static function label(): string
    {
        return 'They become warm';
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
        return 'Became warm';
    }

    public function when(callable $name): string
    {
        return 'become warm';
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
