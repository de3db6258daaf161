<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** What can be said of a split test. */
enum Verdict: string
{
    /** Nobody has come yet. */
    case Empty = 'empty';
    /** Less than a week, or hardly anybody. */
    case TooEarly = 'too-early';
    /** Nothing can be said yet. */
    case Open = 'open';
    case Winner = 'winner';
    /** Whichever is taken, the difference is one that nobody need mind. */
    case Same = 'same';
    /** Its time is over, and nobody can know. */
    case Unknown = 'unknown';
    /** Something sorts the visitors: nothing it says can be believed. */
    case Spoiled = 'spoiled';

    /** Is there anything to wait for? */
    public function isOver(): bool
    {
        return in_array($this, [self::Winner, self::Same, self::Unknown], true);
    }
}
