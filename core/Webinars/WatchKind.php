<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** What a device plays: the session itself, or its replay. */
enum WatchKind: string
{
    case Live = 'live';
    case Replay = 'replay';
}
