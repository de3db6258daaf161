<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

/** What can happen to a deadline of somebody. */
enum FactType: string
{
    case Started = 'started';
    /** To another end: by the owner's hand, or with those of everybody when a version was published. */
    case Moved = 'moved';
    /** By the owner's hand, before its time. */
    case Ended = 'ended';
    /** Taken away by the owner: as if it had never begun. */
    case Removed = 'removed';
}
