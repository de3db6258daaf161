<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** Whether somebody can still register for a session. */
enum SessionState: string
{
    case Open = 'open';
    /** All places are taken: there is a waiting list. */
    case Full = 'full';
    /** Registration is closed, or it has begun. */
    case Closed = 'closed';
    case Past = 'past';
}
