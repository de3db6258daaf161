<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Models\Funnel;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;

/**
 * What is known of strangers goes when it can serve no more: hashes of network addresses with the deadline they were kept for,
 * facts about a browser once no browser holds its cookie any longer. What belongs to people stays with them.
 */
final class StrangerCleanup
{
    /** A browser forgets who it is after a year without a visit. */
    private const DAYS = 400;

    /** @return int how many strangers' deadlines were removed */
    public function tidy(CarbonImmutable $now): int
    {
        $removed = self::remove(fn (Builder $q): Builder => $q->whereNull('person_id')->where('holder', 'like', 'v:%')
            ->where('ends_at', '<', Instant::sql($now->subDays(self::DAYS))));
        foreach (DB::table('deadline_runs')->where('holder', 'like', 'a:%')->distinct()->get(['funnel_id', 'deadline_id']) as $row) {
            if (! in_array((string) $row->deadline_id, self::byAddress((string) $row->funnel_id), true)) {
                $removed += self::remove(fn (Builder $q): Builder => $q->where('deadline_id', $row->deadline_id)->where('holder',
                    'like', 'a:%'));
            }
        }

        return $removed;
    }

    /** @return list<string> ids of the deadlines of a live funnel that know strangers by where they come from */
    private static function byAddress(string $funnel): array
    {
        $plan = Funnel::query()->with('liveVersion')->find($funnel)?->liveVersion?->plan();

        return array_values(array_map(fn (Deadline $d): string => $d->id, array_filter($plan->deadlines ?? [],
            fn (Deadline $d): bool => $d->byAddress)));
    }

    /** @param  callable(Builder): Builder  $which  of the rows that say how it stands; their facts go with them */
    private static function remove(callable $which): int
    {
        return DB::transaction(function () use ($which): int {
            $runs = $which(DB::table('deadline_runs'))->get(['id', 'deadline_id', 'holder']);
            foreach ($runs->groupBy('deadline_id') as $deadline => $some) {
                foreach ($some->chunk(500) as $few) {
                    DB::table('deadline_facts')->where('deadline_id', $deadline)->whereIn('holder', $few->pluck('holder'))->delete();
                    DB::table('deadline_runs')->whereIn('id', $few->pluck('id'))->delete();
                }
            }

            return $runs->count();
        });
    }
}
