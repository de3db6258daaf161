<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

/** How somebody stands to a deadline at a moment. */
enum DeadlineState: string
{
    case NotStarted = 'not-started';
    case Running = 'running';
    /** Running, and near its end: from when the last warning may be shown. */
    case LastStretch = 'last-stretch';
    /** Past its end, for those alone who were in the middle of paying. Nobody is ever shown it. */
    case Grace = 'grace';
    case Over = 'over';

    public function isRunning(): bool
    {
        return $this === self::Running || $this === self::LastStretch;
    }

    /** Has its end passed, be it within grace or not? */
    public function hasEnded(): bool
    {
        return $this === self::Grace || $this === self::Over;
    }

    public function label(): string
    {
        return match ($this) {
            self::NotStarted => 'not started',
            self::Running => 'running',
            self::LastStretch => 'about to end',
            self::Grace, self::Over => 'over',
        };
    }
}
