<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

/** What comes due for one person, in the order in which it comes about at one moment. */
enum PersonMomentKind
{
    case DeadlineEnds;
    case SessionStarts;
    case SessionEnds;
    case ReplayOpens;
    case ReplayEnds;
    /** An email that waits for them. */
    case Email;
}
