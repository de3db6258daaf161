<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

/** How warm somebody is, in a word. */
enum Band: string
{
    case Cold = 'cold';
    case Mild = 'mild';
    case Warm = 'warm';
    case Hot = 'hot';

    public static function of(int $score): self
    {
        return match (true) {
            $score >= self::Hot->least() => self::Hot,
            $score >= self::Warm->least() => self::Warm,
            $score >= self::Mild->least() => self::Mild,
            default => self::Cold,
        };
    }

    /** The least score of it. */
    public function least(): int
    {
        return match ($this) {
            self::Cold => 0,
            self::Mild => 10,
            self::Warm => 30,
            self::Hot => 60,
        };
    }

    public function label(): string
    {
        return ucfirst($this->value);
    }
}
