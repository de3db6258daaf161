<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** What triggers have in common of which nothing more has to be said than that they are one. Their `KEY` is their kind. */
trait WithoutFields
{
    public static function kind(): string
    {
        return self::KEY;
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
