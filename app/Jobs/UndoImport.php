<?php

declare(strict_types=1);

namespace App\Jobs;

use App\People\ImportUndo;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Takes a list back piece by piece, and queues itself for the rest. Safe to run twice and to die at any point. */
final class UndoImport implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $timeout = 80;

    public function __construct(public readonly string $import)
    {
    }

    public function handle(ImportUndo $undo): void
    {
        $until = microtime(true) + 5;
        do {
            $more = $undo->piece($this->import);
        } while ($more && microtime(true) < $until);
        if ($more) {
            self::dispatch($this->import);
        }
    }
}
