<?php

declare(strict_types=1);

namespace App\People\Import;

use App\Support\InPieces;
use Illuminate\Contracts\Queue\ShouldQueue;

/** Takes a list back piece by piece, and queues itself for the rest. Safe to run twice and to die at any point. */
final class UndoImport implements ShouldQueue
{
    use InPieces;

    public function __construct(public readonly string $import)
    {
    }

    public function handle(ImportUndo $undo): void
    {
        if ($this->aWhile(fn (): bool => $undo->piece($this->import))) {
            self::dispatch($this->import);
        }
    }
}
