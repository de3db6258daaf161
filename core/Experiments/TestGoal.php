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
    case Click = 'click';
    case Open = 'open';

    public function label(): string
    {
        return match ($this) {
            self::Signup => 'Sign-ups',
            self::Confirmation => 'Confirmed addresses',
            self::Sale => 'Sales',
            self::Revenue => 'Revenue per person',
            self::Click => 'Clicks',
            self::Open => 'Opened emails',
        };
    }

    /** Of those who reached it: "joined". */
    public function verb(): string
    {
        return match ($this) {
            self::Signup => 'joined',
            self::Confirmation => 'confirmed',
            self::Sale, self::Revenue => 'bought',
            self::Click => 'clicked',
            self::Open => 'opened it',
        };
    }
}
