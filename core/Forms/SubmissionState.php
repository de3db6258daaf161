<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

/** What became of a filled-in form. */
enum SubmissionState: string
{
    /** For the address to be confirmed. */
    case Waiting = 'waiting';
    case Taken = 'taken';
}
