<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** What became of somebody who registered for a session. */
enum AttendanceOutcome: string
{
    /** Came, and stayed for as long as the host has set. */
    case Attended = 'attended';
    case SawOffer = 'saw-offer';
    /** Came, and left before that. */
    case LeftEarly = 'left-early';
    case Missed = 'missed';
    case WatchedReplay = 'watched-replay';

    /** After "they", such as "They attend". */
    public function deed(): string
    {
        return match ($this) {
            self::Attended => 'attend',
            self::SawOffer => 'see the offer in',
            self::LeftEarly => 'leave early from',
            self::Missed => 'miss',
            self::WatchedReplay => 'watch the replay of',
        };
    }

    /** Of one person, in a list. */
    public function label(): string
    {
        return match ($this) {
            self::Attended => 'Attended',
            self::SawOffer => 'Saw the offer',
            self::LeftEarly => 'Left early',
            self::Missed => 'Missed it',
            self::WatchedReplay => 'Watched the replay',
        };
    }
}
