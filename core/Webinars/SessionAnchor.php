<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** What an email about a session is told from. */
enum SessionAnchor: string
{
    case BeforeStart = 'before-start';
    case Start = 'start';
    case AfterEnd = 'after-end';
    case BeforeReplayEnds = 'before-replay-ends';
}
