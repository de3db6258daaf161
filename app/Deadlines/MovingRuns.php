<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Models\Funnel;
use App\Models\Version;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\FactType;
use Lantern\Core\Plan\Plan;
use stdClass;

/**
 * Deadlines that run for people when a version with another rule goes live. They keep the end that was promised, unless the
 * owner chooses that they follow the new rule.
 */
final readonly class MovingRuns
{
    public const AT_ONCE = 500;

    public function __construct(private Emails $emails)
    {
    }

    /**
     * What a draft would mean for deadlines that run, if its owner chose to move them.
     *
     * @return list<array<string, int|string>> `id`, `name`, how many are `running` and of them end `earlier`, `later` or at once (`over`),
     *     the rule as it `was` and `is`, and as `kind` what it becomes where its kind changes: `personal`, `everyone`, else `same`
     */
    public function preview(Funnel $funnel, Plan $draft, CarbonImmutable $now): array
    {
        $live = $funnel->liveVersion?->plan();
        $result = [];
        foreach ($draft->deadlines as $deadline) {
            $before = $live?->deadline($deadline->id);
            if ($before === null || ($before->isPersonal() && ! $deadline->endsDifferently($before))
                || (! $before->isPersonal() && ! $deadline->isPersonal())) {
                // What is everybody's at once is what is published: a moved moment holds for all of them.
                continue;
            }
            if (! $before->isPersonal()) {
                $run = Runs::forEveryone($deadline->id);
                if ($run !== null && $run->state($now)->isRunning()) {
                    $result[] = ['id' => $deadline->id, 'name' => $deadline->name, 'running' => 1, 'earlier' => 0, 'later' => 0,
                        'over' => 0,
                        'was' => $before->words($live->nameOf(...)), 'is' => $deadline->words($draft->nameOf(...)), 'kind' => 'personal'];
                }

                continue;
            }
            $counts = ['running' => 0, 'earlier' => 0, 'later' => 0, 'over' => 0];
            foreach ($this->running($deadline->id, $now)->orderBy('deadline_runs.id')->cursor() as $row) {
                $end = $this->end($deadline, $row, $funnel->business->zone());
                $was = (string) $row->ends_at;
                $counts['running']++;
                $counts['earlier'] += $end < $was ? 1 : 0;
                $counts['later'] += $end > $was ? 1 : 0;
                $counts['over'] += $end <= Instant::sql($now) ? 1 : 0;
            }
            if ($counts['running'] > 0) {
                $result[] = ['id' => $deadline->id, 'name' => $deadline->name] + $counts
                    + ['was' => $before->words($live->nameOf(...)), 'is' => $deadline->words($draft->nameOf(...)),
                        'kind' => $deadline->isPersonal() ? 'same' : 'everyone'];
            }
        }

        return $result;
    }

    /**
     * Moves some hundred of them, in one short transaction. Doing it twice is doing it once: a run that has its end by the new
     * rule is left as it is.
     *
     * @return int|null the place to go on from
     */
    public function move(Version $version, string $deadlineId, int $after, CarbonImmutable $now): ?int
    {
        $deadline = $version->plan()->deadline($deadlineId);
        if ($deadline === null) {
            return null;
        }
        $this->endForEveryone($version, $deadline, $now);
        if (! $deadline->isPersonal()) {
            return $this->withdraw($version, $deadline, $after, $now);
        }

        return DB::transaction(function () use ($version, $deadline, $after, $now): ?int {
            $rows = $this->running($deadline->id, $now)->where('deadline_runs.id', '>', $after)->orderBy('deadline_runs.id')
                ->limit(self::AT_ONCE)->get();
            $facts = $moves = $people = [];
            foreach ($rows as $row) {
                $end = $this->end($deadline, $row, $version->funnel->business->zone());
                if ($end !== (string) $row->ends_at) {
                    $why = "Moved by version {$version->number}.";
                    $facts[] = ['business_id' => $row->business_id, 'funnel_id' => $row->funnel_id, 'deadline_id' => $deadline->id,
                        'name' => $deadline->name, 'holder' => $row->holder, 'person_id' => $row->person_id, 'visitor' => null,
                        'type' => FactType::Moved->value, 'at' => Instant::sql($now), 'ends_at' => $end, 'anew' => false, 'why' => $why];
                    $moves[$end][] = $row->id;
                    $people[] = $row->person_id;
                }
            }
            foreach (array_chunk($facts, 60) as $some) {
                DB::table('deadline_facts')->insert($some);
            }
            foreach ($moves as $end => $ids) {
                DB::table('deadline_runs')->whereIn('id', $ids)->update(['ends_at' => $end, 'closed_at' => null]);
            }
            $this->emails->follow($deadline->id, array_values(array_filter($people, is_string(...))));

            return count($rows) === self::AT_ONCE ? (int) $rows[self::AT_ONCE - 1]->id : null;
        });
    }

    /** Of one that is personal by now, what everybody was in together: it is over, and each person's begins as the rule says. */
    private function endForEveryone(Version $version, Deadline $deadline, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($version, $deadline, $now): void {
            $run = $deadline->isPersonal() ? Runs::forEveryone($deadline->id) : null;
            if ($run !== null && $run->state($now)->isRunning()) {
                Runs::add(['id' => $deadline->id, 'name' => $deadline->name, 'funnel' => $version->funnel_id,
                    'business' => $version->funnel->business_id], DeadlineOwner::everyone(), new Fact(FactType::Removed, $now, null,
                        "Personal from version {$version->number} on."));
            }
        });
    }

    /**
     * Of one that is for everyone by now, some hundred of those that people had of their own: everybody's moment holds for them, too.
     *
     * @return int|null the place to go on from
     */
    private function withdraw(Version $version, Deadline $deadline, int $after, CarbonImmutable $now): ?int
    {
        return DB::transaction(function () use ($version, $deadline, $after, $now): ?int {
            $rows = $this->running($deadline->id, $now)->where('deadline_runs.id', '>', $after)->orderBy('deadline_runs.id')
                ->limit(self::AT_ONCE)->get();
            $facts = $rows->map(fn (stdClass $row): array => ['business_id' => $row->business_id, 'funnel_id' => $row->funnel_id,
                'deadline_id' => $deadline->id, 'name' => $deadline->name, 'holder' => $row->holder, 'person_id' => $row->person_id,
                'visitor' => null, 'type' => FactType::Removed->value, 'at' => Instant::sql($now), 'ends_at' => null, 'anew' => false,
                'why' => "For everyone from version {$version->number} on."])->all();
            foreach (array_chunk($facts, 60) as $some) {
                DB::table('deadline_facts')->insert($some);
            }
            DB::table('deadline_runs')->whereIn('id', $rows->pluck('id')->all())->delete();
            $this->emails->follow($deadline->id, array_values(array_filter($rows->pluck('person_id')->all(), is_string(...))));

            return count($rows) === self::AT_ONCE ? (int) $rows[self::AT_ONCE - 1]->id : null;
        });
    }

    private function running(string $deadline, CarbonImmutable $now): Builder
    {
        return DB::table('deadline_runs')->leftJoin('people', 'people.id', '=', 'deadline_runs.person_id')
            ->where('deadline_id', $deadline)->where('holder', '!=', DeadlineOwner::everyone()->key)->whereNull('closed_at')
            ->where('ends_at', '>', Instant::sql($now))->select(['deadline_runs.*', 'people.timezone']);
    }

    /** When it ends by the new rule, as it is stored. Whoever has come further than that is at its end now. */
    private function end(Deadline $deadline, stdClass $row, DateTimeZone $owner): string
    {
        $run = Runs::read($row);
        $zone = $row->timezone === null ? $owner : new DateTimeZone((string) $row->timezone);
        $end = $deadline->begin($run->startedAt, $zone)->endsAt ?? $run->startedAt;

        return Instant::sql($end);
    }
}
