<?php

declare(strict_types=1);

namespace App\Automation;

use App\Support\OneAtATime;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has rules act that are due, as soon as they are. Which those are is asked when it runs: one of these may do the work of many. */
final class ActRules implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public function handle(RuleWork $work): void
    {
        OneAtATime::do('rules', fn (): int => $work->work(CarbonImmutable::now()));
    }
}
