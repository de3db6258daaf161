<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Models\Version;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Moves deadlines that run to a new rule, some hundred at a time; a worker that dies goes on where it was. */
final class MoveDeadlines implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public function __construct(public string $version, public string $deadline, public int $after = 0)
    {
    }

    public function handle(MovingRuns $runs): void
    {
        $version = Version::query()->with('funnel.business')->find($this->version);
        // A version that is not live any more moves nobody.
        if ($version === null || $version->funnel->live_version_id !== $version->id) {
            return;
        }
        $next = $runs->move($version, $this->deadline, $this->after, CarbonImmutable::now());
        if ($next !== null) {
            self::dispatch($this->version, $this->deadline, $next);
        }
    }
}
