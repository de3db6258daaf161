<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

/** How far a broadcast is. */
enum BroadcastState: string
{
    case Draft = 'draft';
    case Scheduled = 'scheduled';
    /** A part of its readers decides between two subjects. */
    case Testing = 'testing';
    case Sending = 'sending';
    case Sent = 'sent';
    case Stopped = 'stopped';
}
