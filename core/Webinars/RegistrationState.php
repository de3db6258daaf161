<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** How a registration for a session stands. Whether the session is still to come is another thing. */
enum RegistrationState: string
{
    case Registered = 'registered';
    /** For a place to become free. */
    case Waiting = 'waiting';
    case Cancelled = 'cancelled';
}
