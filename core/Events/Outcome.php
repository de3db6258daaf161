<?php

declare(strict_types=1);

namespace Lantern\Core\Events;

/** What a visitor did on a page. Outcomes connect pages. */
enum Outcome: string
{
    case Joined = 'joined';
    case Confirmed = 'confirmed';
    /** Pressed the button of an offer, on the way to its checkout. */
    case Chose = 'chose';
    case Bought = 'bought';
    case Declined = 'declined';
    case Attended = 'attended';
    case Missed = 'missed';
    case TimeRanOut = 'time-ran-out';

    public function label(): string
    {
        return match ($this) {
            self::Joined => 'joined',
            self::Confirmed => 'confirmed',
            self::Chose => 'chose the offer',
            self::Bought => 'bought',
            self::Declined => 'said no thanks',
            self::Attended => 'attended',
            self::Missed => 'missed it',
            self::TimeRanOut => 'time ran out',
        };
    }

    /** Those it happened to, in a sentence: "those who joined". */
    public function who(): string
    {
        return $this === self::TimeRanOut ? 'those whose time ran out' : 'those who '.$this->label();
    }

    /** The same at the beginning of a sentence. */
    public function whoFirst(): string
    {
        return ucfirst($this->who());
    }
}
