<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody has finished a guide, by its rule. */
final readonly class GuideFinished implements Trigger
{
    public function __construct(public string $guide)
    {
    }

    public static function kind(): string
    {
        return 'guide-finished';
    }

    public static function label(): string
    {
        return 'They finish a guide';
    }

    public static function fields(): array
    {
        return ['guide' => 'guide'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('guide', 40));
    }

    public static function keyOf(string $guide): string
    {
        return "guide-finished:{$guide}";
    }

    public function key(): string
    {
        return self::keyOf($this->guide);
    }

    public function words(callable $name): string
    {
        return "Finished “{$name($this->guide)}”";
    }

    public function when(callable $name): string
    {
        return "finish “{$name($this->guide)}”";
    }

    public function references(): array
    {
        return [$this->guide];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->guide] ?? $this->guide);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'guide' => $this->guide];
    }
}
