<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody has read a page of a guide, for the first time. */
final readonly class GuidePageRead implements Trigger
{
    public function __construct(public string $page)
    {
    }

    public static function kind(): string
    {
        return 'guide-page';
    }

    public static function label(): string
    {
        return 'They read a page of a guide';
    }

    public static function fields(): array
    {
        return ['page' => 'guide-page'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('page', 40));
    }

    public static function keyOf(string $page): string
    {
        return "guide-page:{$page}";
    }

    public function key(): string
    {
        return self::keyOf($this->page);
    }

    public function words(callable $name): string
    {
        return "Read “{$name($this->page)}”";
    }

    public function when(callable $name): string
    {
        return "read “{$name($this->page)}”";
    }

    public function references(): array
    {
        return [$this->page];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->page] ?? $this->page);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'page' => $this->page];
    }
}
