<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\DueWork;
use Carbon\CarbonImmutable;
use Lantern\Core\Agenda\Task;

/** Takes what was written down before the framework started, in pieces that keep nobody waiting for long. */
final readonly class TakeWrittenDown implements DueWork
{
    public function __construct(private WrittenDown $written, private SeenViews $views)
    {
    }

    public function task(): Task
    {
        return Task::WrittenDown;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return $this->written->oldest();
    }

    public function work(CarbonImmutable $now): int
    {
        $all = $this->written->takeAll();
        $this->views->forget($now);

        return $all;
    }
}
