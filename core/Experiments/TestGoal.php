<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** What a split test wants more of. */
enum TestGoal: string
{
    case Signup = 'signup';
    case Confirmation = 'confirmation';
    case Sale = 'sale';
    case Revenue = 'revenue';

    public function label(): string
    {
        return match ($this) {
            self::Signup => 'Sign-ups',
            self::Confirmation => 'Confirmed addresses',
            self::Sale => 'Sales',
            self::Revenue => 'Revenue per visitor',
        };
    }

    /** Of those who reached it: "joined". */
    public function verb(): string
    {
        return match ($this) {
            self::Signup => 'joined',
            self::Confirmation => 'confirmed',
            self::Sale, self::Revenue => 'bought',
        };
    }

    /** The rate that is expected of a page nobody has seen yet. */
    public function usual(): float
    {
        return match ($this) {
            self::Signup => 0.3,
            self::Confirmation => 0.25,
            self::Sale, self::Revenue => 0.02,
        };
    }

    /** After how many seconds somebody who has not reached it is held not to; null where that may be any time. */
    public function settlesAfter(): ?int
    {
        return match ($this) {
            self::Signup => 86_400,
            self::Confirmation => 3 * 86_400,
            self::Sale, self::Revenue => null,
        };
    }
}
