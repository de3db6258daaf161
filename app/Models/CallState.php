<?php

declare(strict_types=1);

namespace App\Models;

/** Where a call to an owner's address is on its way. */
enum CallState: string
{
    case Waiting = 'waiting';
    /** Claimed by a worker. */
    case Calling = 'calling';
    case Done = 'done';
    case Failed = 'failed';
}
