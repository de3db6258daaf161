<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\DueWork;
use Carbon\CarbonImmutable;
use Lantern\Core\Agenda\Task;

/** Counts views that were reported, in pieces that keep nobody waiting for long. */
final readonly class CountViews implements DueWork
{
    /** In one transaction, so that whoever reports a view meanwhile waits for a moment at most. */
    private const AT_ONCE = 25;

    public function __construct(private SeenViews $views)
    {
    }

    public function task(): Task
    {
        return Task::Views;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return $this->views->oldest();
    }

    public function work(CarbonImmutable $now): int
    {
        $all = 0;
        while (($counted = $this->views->countOldest(self::AT_ONCE)) > 0) {
            $all += $counted;
        }
        $this->views->forget($now);

        return $all;
    }
}
