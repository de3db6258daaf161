<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Mail\Replanner;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Lets a sequence that stood still go on, and queues itself for the rest. Safe to run twice and to die at any point: the
 * place it has come to is kept with what it did.
 */
final class ResumeSequence implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $timeout = 80;

    public function __construct(public readonly string $sequence)
    {
    }

    public function handle(Replanner $replanner): void
    {
        $until = microtime(true) + 5;
        do {
            $more = $replanner->goOn($this->sequence, CarbonImmutable::now());
        } while ($more && microtime(true) < $until);
        if ($more) {
            self::dispatch($this->sequence);
        }
    }
}
