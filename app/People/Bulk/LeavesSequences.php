<?php

declare(strict_types=1);

namespace App\People\Bulk;

use DateTimeImmutable;
use Illuminate\Database\Query\Builder;

/** Ends a sequence for many at once: what of it still waits is not sent. */
interface LeavesSequences
{
    /** @param  Builder  $people  a query that gives ids */
    public function leave(Builder $people, string $sequence, string $why, DateTimeImmutable $at): void;
}
