<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** A certain deadline begins for somebody. One that is for everyone begins for nobody. */
final readonly class DeadlineBegan implements Trigger
{
    public function __construct(public string $deadline)
    {
    }

    public static function kind(): string
    {
        return 'deadline-began';
    }

    public static function label(): string
    {
        return 'Their time begins';
    }

    public static function fields(): array
    {
        return ['deadline' => 'deadline'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('deadline', 40));
    }

    public static function keyOf(string $deadline): string
    {
        return "deadline-began:{$deadline}";
    }

    public function key(): string
    {
        return self::keyOf($this->deadline);
    }

    public function words(callable $name): string
    {
        return "The time of “{$name($this->deadline)}” began";
    }

    public function when(callable $name): string
    {
        return "come to the beginning of “{$name($this->deadline)}”";
    }

    public function references(): array
    {
        return [$this->deadline];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->deadline] ?? $this->deadline);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'deadline' => $this->deadline];
    }
}
