<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

/** Whether visitors reach the pages of a funnel. */
enum Openness
{
    /** It was never published, or is in the archive. */
    case NotPublished;
    /** The moment at which it opens is still to come. */
    case Early;
    case Open;
    case Closed;
}
