<?php

declare(strict_types=1);

namespace App\Domains;

use App\Models\Domain;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Lantern\Core\Agenda\Task;

/** Has domains looked at by themselves: often while they are set up, later to see whether they still lead here. */
final readonly class DomainLooks implements DueWork
{
    public function task(): Task
    {
        return Task::Domains;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $next = Domain::query()->whereNull('removed_at')->get()
            ->map(fn (Domain $d): ?DateTimeImmutable => $d->state()->nextLook($d->created_at, $d->checked_at))->filter()->min();

        return $next === null ? null : CarbonImmutable::instance($next);
    }

    public function work(CarbonImmutable $now): int
    {
        $queued = 0;
        foreach (Domain::query()->whereNull('removed_at')->get() as $domain) {
            if (! $domain->state()->isLookDue($domain->created_at, $domain->checked_at, $now)) {
                continue;
            }
            // Whoever notes the look has it done, so that it is queued once; a worker that dies with it leaves it for the next time.
            $seen = $domain->checked_at === null ? null : Instant::sql($domain->checked_at);
            $noted = Domain::query()->whereKey($domain->id)->where('checked_at', $seen)->update(['checked_at' => Instant::sql($now)]);
            if ($noted === 1) {
                CheckDomain::dispatch($domain->id);
                $queued++;
            }
        }

        return $queued;
    }
}
