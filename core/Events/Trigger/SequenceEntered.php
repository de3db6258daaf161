<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody enters a sequence, by whatever starts it for them. */
final readonly class SequenceEntered implements Trigger
{
    public function __construct(public string $sequence)
    {
    }

    public static function kind(): string
    {
        return 'sequence';
    }

    public static function label(): string
    {
        return 'They enter a sequence';
    }

    public static function fields(): array
    {
        return ['sequence' => 'sequence'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('sequence', 40));
    }

    public static function keyOf(string $sequence): string
    {
        return "sequence:{$sequence}";
    }

    public function key(): string
    {
        return self::keyOf($this->sequence);
    }

    public function words(callable $name): string
    {
        return "Entered “{$name($this->sequence)}”";
    }

    public function when(callable $name): string
    {
        return "enter “{$name($this->sequence)}”";
    }

    public function references(): array
    {
        return [$this->sequence];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->sequence] ?? $this->sequence);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'sequence' => $this->sequence];
    }
}
