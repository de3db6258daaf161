<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** A certain deadline is over in so many hours for somebody. Whoever had less time from the beginning never comes to it. */
final readonly class DeadlineNear implements Trigger
{
    public const MOST_HOURS = 720;

    private const KEY = 'deadline-near:';

    /** @param  int  $hours  that are left, 1 to 720 */
    public function __construct(public string $deadline, public int $hours = 24)
    {
    }

    public static function kind(): string
    {
        return 'deadline-near';
    }

    public static function label(): string
    {
        return 'Their time is nearly over';
    }

    public static function fields(): array
    {
        return ['deadline' => 'deadline', 'hours' => 'hours'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('deadline', 40), $shape->integer('hours', 1, self::MOST_HOURS, 24));
    }

    public static function keyOf(string $deadline, int $hours): string
    {
        return self::KEY."{$deadline}:{$hours}";
    }

    /** With which the keys of all of them begin. */
    public static function beginning(): string
    {
        return self::KEY;
    }

    /** @return array{string, int}|null the deadline and the hours that a key speaks of; null for a key of another kind */
    public static function ofKey(string $key): ?array
    {
        return preg_match('/^'.self::KEY.'([^:]+):([0-9]+)$/D', $key, $m) === 1 ? [$m[1], (int) $m[2]] : null;
    }

    public function key(): string
    {
        return self::keyOf($this->deadline, $this->hours);
    }

    private function left(): string
    {
        return match (true) {
            $this->hours === 24 => 'a day',
            $this->hours % 24 === 0 => intdiv($this->hours, 24).' days',
            $this->hours === 1 => 'an hour',
            default => "{$this->hours} hours",
        };
    }

    public function words(callable $name): string
    {
        return "Had {$this->left()} left of “{$name($this->deadline)}”";
    }

    public function when(callable $name): string
    {
        return "have {$this->left()} left of “{$name($this->deadline)}”";
    }

    public function references(): array
    {
        return [$this->deadline];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->deadline] ?? $this->deadline, $this->hours);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'deadline' => $this->deadline] + ($this->hours === 24 ? [] : ['hours' => $this->hours]);
    }
}
