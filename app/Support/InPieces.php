<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Foundation\Queue\Queueable;

/**
 * Long work that is done in short transactions, each with the place it has come to: a while of them in one job, then the
 * job queues itself for the rest, so that mail that is due comes in between. Safe to run twice and to die at any point.
 */
trait InPieces
{
    use Queueable;

    public int $tries = 5;

    public int $timeout = 80;

    /**
     * @param  callable(): bool  $piece  does one; is there more to do?
     * @return bool is there more for another job?
     */
    private function aWhile(callable $piece): bool
    {
        $until = microtime(true) + 5;
        do {
            $more = $piece();
        } while ($more && microtime(true) < $until);

        return $more;
    }
}
