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
}
