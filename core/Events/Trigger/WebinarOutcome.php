<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\AttendanceOutcome;

/** A session of a webinar comes to an end for somebody: they attended, left early, missed it …; or they see its offer, or its replay. */
final readonly class WebinarOutcome implements Trigger
{
    public function __construct(public string $webinar, public AttendanceOutcome $outcome)
    {
    }

    public static function kind(): string
    {
        return 'webinar';
    }

    public static function label(): string
    {
        return 'They attend a webinar, or miss it';
    }

    public static function fields(): array
    {
        return ['outcome' => 'outcome', 'webinar' => 'webinar'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('webinar', 40), $shape->choice('outcome', AttendanceOutcome::class));
    }

    public static function keyOf(string $webinar, AttendanceOutcome $outcome): string
    {
        return "webinar:{$webinar}:{$outcome->value}";
    }

    public function key(): string
    {
        return self::keyOf($this->webinar, $this->outcome);
    }

    public function words(callable $name): string
    {
        return "{$this->outcome->label()}: “{$name($this->webinar)}”";
    }

    public function when(callable $name): string
    {
        return "{$this->outcome->deed()} “{$name($this->webinar)}”";
    }

    public function references(): array
    {
        return [$this->webinar];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->webinar] ?? $this->webinar, $this->outcome);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'outcome' => $this->outcome->value, 'webinar' => $this->webinar];
    }
}
