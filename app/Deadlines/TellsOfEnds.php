<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Journey\WaitedFor;
use App\Models\Funnel;
use App\Models\Person;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\DeadlineNear;
use Lantern\Core\Events\Trigger\DeadlineOver;

/**
 * That the time of a deadline has run out for somebody, or nearly so, where something waits for that: told once for each end, and for
 * ends after it
 * was first waited for. One that is for everyone has run out for all who have joined its funnel.
 */
final readonly class TellsOfEnds
{
    private const AT_ONCE = 200;

    public function __construct(private Events $events)
    {
    }

    /** Is there somebody to whom it was not told yet? */
    public function waits(CarbonImmutable $now): bool
    {
        foreach (self::listened() as [$id, $hours, $since]) {
            if ($this->untold($id, $hours, $since, $now)->exists()) {
                return true;
            }
        }

        return false;
    }

    /** When somebody comes next to the hours before an end that something waits for. */
    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $moments = [];
        foreach (self::listened() as [$id, $hours]) {
            $ends = $hours === 0 ? null : DB::table('deadline_runs')->where('deadline_id', $id)->whereNull('closed_at')
                ->where('ends_at', '>', Instant::sql($now->addHours($hours)))->min('ends_at');
            $moments[] = Instant::carbon($ends)?->subHours($hours);
        }

        return Instant::first(...$moments);
    }

    /** @return int to how many it was told; some hundred at once */
    public function tell(CarbonImmutable $now): int
    {
        $told = 0;
        foreach (self::listened() as [$id, $hours, $since]) {
            $rows = $this->untold($id, $hours, $since, $now)->limit(self::AT_ONCE)->get(['people.id', 'deadline_runs.funnel_id',
                'ends_at']);
            foreach ($rows as $row) {
                $told += $this->tellOne((string) $row->id, (string) $row->funnel_id, $id, $hours, (string) $row->ends_at, $now) ? 1 : 0;
            }
        }

        return $told;
    }

    private function tellOne(string $person, string $funnel, string $deadline, int $hours, string $ended, CarbonImmutable $now): bool
    {
        return DB::transaction(function () use ($person, $funnel, $deadline, $hours, $ended, $now): bool {
            $found = Person::query()->with('business')->find($person);
            $of = Funnel::query()->with(['liveVersion', 'business'])->find($funnel);
            $run = Runs::ofPeople([$person], [$deadline], $now)[$person][$deadline] ?? null;
            if ($found === null || $of === null) {
                return false;
            }
            // What was promised otherwise meanwhile runs on: its own end is told then.
            $over = $run !== null && ($hours === 0 ? $run->state($now)->hasEnded() : $run->endsWithin($hours, $now));
            $this->events->take(new NewEvent($hours === 0 ? EventType::DeadlineOver : EventType::DeadlineNear, $found->business, $now,
                $of, $over ? $of->liveVersion : null,
                person: $over ? $found : null, personId: $person, owner: $found->owner_try,
                data: ['deadline' => $deadline, 'ended' => $ended] + ($hours === 0 ? [] : ['hours' => $hours]), deadline: $deadline,
                hours: $hours));

            return true;
        });
    }

    /**
     * People whose run of it has ended, or will end within so many hours, and who were not told; with the run.
     *
     * @param  int  $hours  0 for its end
     */
    private function untold(string $deadline, int $hours, string $since, CarbonImmutable $now): Builder
    {
        $everyone = DeadlineOwner::everyone()->key;
        $runs = DB::table('deadline_runs')->join('people', fn (JoinClause $join) => $join->on('people.business_id', '=',
            'deadline_runs.business_id')->whereNull('people.erased_at')->where(fn (JoinClause $q) => $q
            ->on('people.id', '=', 'deadline_runs.person_id')->orWhere(fn (JoinClause $q) => $q->where('holder', $everyone)
            ->whereExists(fn (Builder $q) => $q->selectRaw('1')->from('events')->whereColumn('events.person_id', 'people.id')
                ->whereColumn('events.funnel_id', 'deadline_runs.funnel_id')->where('type', EventType::Joined->value)))))
            ->where('deadline_id', $deadline)
            ->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from('events')->whereColumn('events.person_id', 'people.id')
                ->where('type', ($hours === 0 ? EventType::DeadlineOver : EventType::DeadlineNear)->value)
                ->when($hours !== 0, fn (Builder $q) => $q->where('events.data->hours', $hours))
                ->whereColumn('events.data->deadline', 'deadline_runs.deadline_id')
                ->whereColumn('events.data->ended', 'deadline_runs.ends_at'))
            ->orderBy('people.id');
        if ($hours === 0) {
            return $runs->whereNotNull('closed_at')->where('ends_at', '>=', $since)->where('ends_at', '<=', Instant::sql($now));
        }
        $before = fn (string $sql): string => Instant::sql(CarbonImmutable::parse($sql, 'UTC')->addHours($hours));

        // Whoever has had less time from the beginning is told nothing, and neither is anybody whose moment came before it was waited for.
        return $runs->whereNull('closed_at')->where('ends_at', '>=', $before($since))->where('ends_at', '>', Instant::sql($now))
            ->where('ends_at', '<=', Instant::sql($now->addHours($hours)))
            // A second is left over for what the fractions of days lose.
            ->whereRaw('(julianday(ends_at) - julianday(started_at)) * 86400 + 1 >= ?', [$hours * 3600]);
    }

    /** @return list<array{string, int, string}> what is waited for: a deadline, the hours before its end, and since when */
    private static function listened(): array
    {
        $listened = [];
        foreach (WaitedFor::since(DeadlineOver::keyOf('')) as $key => $since) {
            $listened[] = [substr($key, strlen(DeadlineOver::keyOf(''))), 0, $since];
        }
        foreach (WaitedFor::since(DeadlineNear::beginning()) as $key => $since) {
            $near = DeadlineNear::ofKey($key);
            if ($near !== null) {
                $listened[] = [...$near, $since];
            }
        }

        return $listened;
    }
}
