<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Mail\Replanner;
use App\Models\Funnel;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Carries what a newly published version changes in its sequences to the people who are in them. Safe to run twice. */
final class CarryChange implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $timeout = 600;

    public function __construct(public readonly string $funnel)
    {
    }

    public function handle(Replanner $replanner): void
    {
        // Whatever is live by now holds: a version that was followed by another has nothing to say any more.
        $version = Funnel::query()->with('liveVersion')->where('id', $this->funnel)->first()?->liveVersion;
        if ($version !== null) {
            $replanner->apply($version, CarbonImmutable::now());
        }
    }
}
