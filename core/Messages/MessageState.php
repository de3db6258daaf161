<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/** Where a message is on its way. */
enum MessageState: string
{
    case Waiting = 'waiting';
    /** Claimed by a worker. */
    case Sending = 'sending';
    case Sent = 'sent';
    case Failed = 'failed';
    case Cancelled = 'cancelled';
}
