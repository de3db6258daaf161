<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

/** How a field of a person is held against a value. */
enum Comparison: string
{
    case Equal = 'equal';
    case Other = 'other';
    case Contains = 'contains';
    case Without = 'without';
    case Begins = 'begins';
    case Filled = 'filled';
    case Empty = 'empty';
    case More = 'more';
    case Less = 'less';

    public function label(): string
    {
        return match ($this) {
            self::Equal => 'is',
            self::Other => 'is not',
            self::Contains => 'contains',
            self::Without => 'does not contain',
            self::Begins => 'begins with',
            self::Filled => 'is known',
            self::Empty => 'is not known',
            self::More => 'is more than',
            self::Less => 'is less than',
        };
    }

    public function needsValue(): bool
    {
        return $this !== self::Filled && $this !== self::Empty;
    }

    public function isOfNumbers(): bool
    {
        return $this === self::More || $this === self::Less;
    }

    /** A value as a number, if it is written like one: digits, a point, and perhaps a minus sign. */
    public static function number(string $value): ?float
    {
        return preg_match('/^-?\d{1,15}(?:\.\d{1,15})?$/D', $value) === 1 ? (float) $value : null;
    }

    /** @param  list<string>  $values  what is known, without empty ones; several for several choices */
    public function holds(array $values, string $value): bool
    {
        $wanted = mb_strtolower($value);
        $any = fn (callable $test): bool => array_filter($values, fn (string $v): bool => (bool) $test(mb_strtolower($v))) !== [];

        return match ($this) {
            self::Filled => $values !== [],
            self::Empty => $values === [],
            self::Equal => $any(fn (string $v): bool => $v === $wanted),
            self::Other => ! $any(fn (string $v): bool => $v === $wanted),
            self::Contains => $any(fn (string $v): bool => str_contains($v, $wanted)),
            self::Without => ! $any(fn (string $v): bool => str_contains($v, $wanted)),
            self::Begins => $any(fn (string $v): bool => str_starts_with($v, $wanted)),
            self::More => $any(fn (string $v): bool => (self::number($v) ?? -INF) > (float) $wanted),
            self::Less => $any(fn (string $v): bool => (self::number($v) ?? INF) < (float) $wanted),
        };
    }
}
