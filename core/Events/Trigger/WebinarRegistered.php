<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody registers for a session of a webinar, or waits for a place in one. Whoever changes to another session does so again. */
final readonly class WebinarRegistered implements Trigger
{
    public function __construct(public string $webinar)
    {
    }

    public static function kind(): string
    {
        return 'registered';
    }

    public static function label(): string
    {
        return 'They register for a webinar';
    }

    public static function fields(): array
    {
        return ['webinar' => 'webinar'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('webinar', 40));
    }

    public static function keyOf(string $webinar): string
    {
        return "registered:{$webinar}";
    }

    public function key(): string
    {
        return self::keyOf($this->webinar);
    }

    public function words(callable $name): string
    {
        return "Registered for “{$name($this->webinar)}”";
    }

    public function when(callable $name): string
    {
        return "register for “{$name($this->webinar)}”";
    }

    public function references(): array
    {
        return [$this->webinar];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->webinar] ?? $this->webinar);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'webinar' => $this->webinar];
    }
}
