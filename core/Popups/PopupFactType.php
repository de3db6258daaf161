<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** What a pop-up did, or what was done in it. */
enum PopupFactType: string
{
    /** It could have been shown on a view, had one of its triggers come. */
    case Eligible = 'eligible';
    case Shown = 'shown';
    case Closed = 'closed';
    case Joined = 'joined';
    /** A link or button in it that leads on was followed. */
    case Clicked = 'clicked';
}
