<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Lantern\Core\Agenda\Task;

/** Work that comes due by itself. It says when; `lantern:due` asks all of it, and does what is due in one order. */
interface DueWork
{
    public function task(): Task;

    /** @return CarbonImmutable|null when there is something to do next; null while there is nothing */
    public function next(CarbonImmutable $now): ?CarbonImmutable;

    /**
     * Does all of it that is due. Doing it twice is doing it once.
     *
     * @return int how much that was
     */
    public function work(CarbonImmutable $now): int;
}
