<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** What is taken of a report that a device sends from a room. */
enum ReportTaken
{
    /** There is nothing to be played: it is told so. */
    case Refused;
    /** Nothing; the device hears what goes on. */
    case Ignored;
    /** That the device is there; nothing can have been played yet. */
    case Presence;
    case All;
}
