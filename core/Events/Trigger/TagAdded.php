<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Somebody gets a tag. Tags are compared without regard to capitals. */
final readonly class TagAdded implements Trigger
{
    public function __construct(public string $tag)
    {
    }

    public static function kind(): string
    {
        return 'tag';
    }

    public static function label(): string
    {
        return 'They get a tag';
    }

    public static function fields(): array
    {
        return ['tag' => 'tag'];
    }

    public static function fromShape(Shape $shape): self
    {
        $tag = trim((string) preg_replace('/\s+/u', ' ', $shape->text('tag', 60)));

        return $tag === '' ? throw Invalid::at($shape->path('tag'), 'Please choose a tag.') : new self($tag);
    }

    public static function keyOf(string $tag): string
    {
        return 'tag:'.mb_strtolower($tag);
    }

    public function key(): string
    {
        return self::keyOf($this->tag);
    }

    public function words(callable $name): string
    {
        return "Got the tag “{$this->tag}”";
    }

    public function when(callable $name): string
    {
        return "get the tag “{$this->tag}”";
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
        return ['kind' => self::kind(), 'tag' => $this->tag];
    }
}
