<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Mail\Replanner;
use App\Models\Sequence;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/** Lets a sequence that stood still go on. Until it is through, the sequence stands. */
final class ResumeSequence implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $timeout = 600;

    public function __construct(public readonly string $sequence)
    {
    }

    public function handle(Replanner $replanner): void
    {
        DB::transaction(function () use ($replanner): void {
            $sequence = Sequence::query()->with('funnel.liveVersion')->where('id', $this->sequence)->whereNotNull('paused_at')->first();
            $version = $sequence?->funnel->liveVersion;
            $plan = $version?->plan()->sequence($this->sequence);
            if ($sequence?->paused_at !== null && $version !== null && $plan !== null) {
                $replanner->resume($version, $plan, $sequence->paused_at, CarbonImmutable::now());
            }
            $sequence?->forceFill(['paused_at' => null])->save();
        });
    }
}
