<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

/** The two ends of a deadline that emails are timed by. */
enum Edge: string
{
    case Start = 'start';
    case End = 'end';
}
