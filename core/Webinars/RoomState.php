<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

enum RoomState: string
{
    /** Too early: it says when it opens. */
    case Closed = 'closed';
    /** Open, and about to begin. */
    case Opening = 'opening';
    case On = 'on';
    case Over = 'over';
}
