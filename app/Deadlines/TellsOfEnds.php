<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Journey\Events;
use App\Journey\NewEvent;
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
use Lantern\Core\Events\Trigger\DeadlineOver;

/**
 * That the time of a deadline has run out for somebody, where a sequence waits for that: told once for each end, and for ends after it
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
        foreach (self::listened() as $id => $since) {
            if ($this->untold($id, $since, $now)->exists()) {
                return true;
            }
        }

        return false;
    }

    /** @return int to how many it was told; some hundred at once */
    public function tell(CarbonImmutable $now): int
    {
        $told = 0;
        foreach (self::listened() as $id => $since) {
            $rows = $this->untold($id, $since, $now)->limit(self::AT_ONCE)->get(['people.id', 'deadline_runs.funnel_id', 'ends_at']);
            foreach ($rows as $row) {
                $told += $this->tellOne((string) $row->id, (string) $row->funnel_id, $id, (string) $row->ends_at, $now) ? 1 : 0;
            }
        }

        return $told;
    }

    private function tellOne(string $person, string $funnel, string $deadline, string $ended, CarbonImmutable $now): bool
    {
        return DB::transaction(function () use ($person, $funnel, $deadline, $ended, $now): bool {
            $found = Person::query()->with('business')->find($person);
            $of = Funnel::query()->with(['liveVersion', 'business'])->find($funnel);
            $run = Runs::ofPeople([$person], [$deadline], $now)[$person][$deadline] ?? null;
            if ($found === null || $of === null) {
                return false;
            }
            // What was promised otherwise meanwhile runs on: its own end is told then.
            $over = $run !== null && $run->state($now)->hasEnded();
            $this->events->take(new NewEvent(EventType::DeadlineOver, $found->business, $now, $of, $over ? $of->liveVersion : null,
                person: $over ? $found : null, personId: $person, owner: $found->owner_try,
                data: ['deadline' => $deadline, 'ended' => $ended], deadline: $deadline));

            return true;
        });
    }

    /** People whose run of it has ended and who were not told; with the run. */
    private function untold(string $deadline, string $since, CarbonImmutable $now): Builder
    {
        $everyone = DeadlineOwner::everyone()->key;

        return DB::table('deadline_runs')->join('people', fn (JoinClause $join) => $join->on('people.business_id', '=',
            'deadline_runs.business_id')->whereNull('people.erased_at')->where(fn (JoinClause $q) => $q
            ->on('people.id', '=', 'deadline_runs.person_id')->orWhere(fn (JoinClause $q) => $q->where('holder', $everyone)
            ->whereExists(fn (Builder $q) => $q->selectRaw('1')->from('events')->whereColumn('events.person_id', 'people.id')
                ->whereColumn('events.funnel_id', 'deadline_runs.funnel_id')->where('type', EventType::Joined->value)))))
            ->where('deadline_id', $deadline)->whereNotNull('closed_at')->where('ends_at', '>=', $since)
            ->where('ends_at', '<=', Instant::sql($now))
            ->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from('events')->whereColumn('events.person_id', 'people.id')
                ->where('type', EventType::DeadlineOver->value)
                ->whereColumn('events.data->deadline', 'deadline_runs.deadline_id')
                ->whereColumn('events.data->ended', 'deadline_runs.ends_at'))
            ->orderBy('people.id');
    }

    /** @return array<string, string> deadlines that a version waits for the end of, by id: since when the first one did */
    private static function listened(): array
    {
        $listened = [];
        foreach (DB::table('version_triggers')->join('versions', 'versions.id', '=', 'version_triggers.version_id')
            ->where('trigger_key', 'like', DeadlineOver::keyOf('').'%')->groupBy('trigger_key')
            ->selectRaw('trigger_key, min(published_at) as since')->get() as $row) {
            $listened[substr((string) $row->trigger_key, strlen(DeadlineOver::keyOf('')))] = (string) $row->since;
        }

        return $listened;
    }
}
