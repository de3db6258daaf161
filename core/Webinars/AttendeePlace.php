<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** Where the link into a room leads its owner by now. */
enum AttendeePlace
{
    case Room;
    case Replay;
    /** The page that says what became of their place. */
    case Confirmation;
}
