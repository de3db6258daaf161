<?php

declare(strict_types=1);

namespace App\People\Import;

use App\Support\InPieces;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * Brings in a piece of a file, and queues itself for the rest. Safe to run twice and to die at any point: a piece and its place are one
 * transaction.
 */
final class ImportPeople implements ShouldQueue
{
    use InPieces;

    public function __construct(public readonly string $import)
    {
    }

    public function handle(Importing $importing): void
    {
        if ($this->aWhile(fn (): bool => $importing->piece($this->import))) {
            self::dispatch($this->import);
        }
    }
}
