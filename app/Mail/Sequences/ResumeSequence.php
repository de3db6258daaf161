<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Support\InPieces;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * Lets a sequence that stood still go on, and queues itself for the rest. Safe to run twice and to die at any point: the
 * place it has come to is kept with what it did.
 */
final class ResumeSequence implements ShouldQueue
{
    use InPieces;

    public function __construct(public readonly string $sequence)
    {
    }

    public function handle(Replanner $replanner): void
    {
        if ($this->aWhile(fn (): bool => $replanner->goOn($this->sequence, CarbonImmutable::now()))) {
            self::dispatch($this->sequence);
        }
    }
}
