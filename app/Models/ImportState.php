<?php

declare(strict_types=1);

namespace App\Models;

/** How far the import of a list is. */
enum ImportState: string
{
    /** Looked at, not yet started. */
    case New = 'new';
    case Running = 'running';
    case Done = 'done';
    case Stopped = 'stopped';
    case Undoing = 'undoing';
    case Undone = 'undone';
}
