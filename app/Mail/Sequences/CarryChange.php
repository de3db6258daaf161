<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Models\Funnel;
use App\Support\InPieces;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;

/**
 * Carries what a newly published version changes in its sequences to the people who are in them, and queues itself for
 * the rest. Safe to run twice, and to die at any point.
 */
final class CarryChange implements ShouldQueue
{
    use InPieces;

    /** @param  array{string, int}  $place the sequence and the enrolment it has come to */
    public function __construct(public readonly string $funnel, public readonly array $place = ['', 0])
    {
    }

    public function handle(Replanner $replanner): void
    {
        // Whatever is live by now holds: a version that was followed by another has nothing to say any more.
        $version = Funnel::query()->with('liveVersion.funnel.business')->where('id', $this->funnel)->first()?->liveVersion;
        $place = $this->place;
        if ($version !== null && $this->aWhile(function () use ($replanner, $version, &$place): bool {
            $next = $replanner->carry($version, CarbonImmutable::now(), ...$place);
            $place = $next ?? $place;

            return $next !== null;
        })) {
            self::dispatch($this->funnel, $place);
        }
    }
}
