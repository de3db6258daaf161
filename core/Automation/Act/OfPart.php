<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** What acts have in common that speak of one part of a funnel: their `FIELD` says which kind, and is its name in written form. */
trait OfPart
{
    public function __construct(public readonly string $part)
    {
    }

    public static function kind(): string
    {
        return self::KIND;
    }

    public static function fields(): array
    {
        return [self::FIELD => self::FIELD];
    }

    public static function fromShape(Shape $shape): self
    {
        $id = $shape->text(self::FIELD, 40, '');

        return $id === '' ? throw Invalid::at($shape->path(self::FIELD), self::CHOOSE) : new self($id);
    }

    public function part(): string
    {
        return $this->part;
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->part] ?? $this->part);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), self::FIELD => $this->part];
    }

    /** @param  callable(string $id): string  $name */
    private function called(callable $name): string
    {
        $called = $name($this->part);

        return $called === '' ? '(gone)' : "“{$called}”";
    }
}
