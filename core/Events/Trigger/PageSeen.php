<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody sees a page for the first time; strangers, too, whom only their browser is known by. */
final readonly class PageSeen implements Trigger
{
    public function __construct(public string $page)
    {
    }

    public static function kind(): string
    {
        return 'page';
    }

    public static function label(): string
    {
        return 'They see a page';
    }

    public static function fields(): array
    {
        return ['page' => 'page'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('page', 40));
    }

    public static function keyOf(string $page): string
    {
        return "seen:{$page}";
    }

    public function key(): string
    {
        return self::keyOf($this->page);
    }

    public function words(callable $name): string
    {
        return "Saw “{$name($this->page)}”";
    }

    public function when(callable $name): string
    {
        return "see “{$name($this->page)}”";
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
