<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

/** What the moment of an email is told from. */
enum TimingKind: string
{
    case Joining = 'joining';
    case Deadline = 'deadline';
    case Session = 'session';
}
