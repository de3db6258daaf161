<?php

declare(strict_types=1);

namespace App\Jobs;

use App\People\Importing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Brings in a piece of a file, and queues itself for the rest. Safe to run twice and to die at any point: a piece and its place are one transaction. */
final class ImportPeople implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $timeout = 80;

    public function __construct(public readonly string $import)
    {
    }

    public function handle(Importing $importing): void
    {
        // A while of pieces in one job; mail that is due comes in between.
        $until = microtime(true) + 5;
        do {
            $more = $importing->piece($this->import);
        } while ($more && microtime(true) < $until);
        if ($more) {
            self::dispatch($this->import);
        }
    }
}
