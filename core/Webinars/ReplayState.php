<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** What the replay page has for somebody at a moment. */
enum ReplayState: string
{
    /** Not yet: their session is still to come, or the replay opens later. */
    case Soon = 'soon';
    case Open = 'open';
    case Over = 'over';
    /** It is not for them. */
    case Closed = 'closed';
}
