<?php

declare(strict_types=1);

namespace App\Records;

use App\Support\Instant;
use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\Facts;
use Lantern\Core\Deadlines\FactType;
use Lantern\Core\Deadlines\HeldRun;
use Lantern\Core\Deadlines\Run;
use stdClass;

/** Facts about deadlines as they are written down, and how the deadlines run as it follows from them. */
final class Runs
{
    /**
     * A deadline as it stands for somebody.
     *
     * @param  list<string>  $holders  keys of {@see DeadlineOwner}, all of which are the same visitor
     * @param  list<string>|null  $deadlines  ids; null for all
     * @return array<string, Run> by deadline: the one that holds ({@see HeldRun})
     */
    public static function of(array $holders, DateTimeInterface $now, ?array $deadlines = null): array
    {
        if ($holders === [] || $deadlines === []) {
            return [];
        }
        $found = [];
        foreach (self::rows($deadlines)->whereIn('holder', $holders)->get() as $row) {
            $found[(string) $row->deadline_id][] = self::read($row);
        }
        $now = DateTimeImmutable::createFromInterface($now);

        return array_filter(array_map(fn (array $runs): ?Run => HeldRun::of($runs, $now), $found));
    }

    /**
     * @param  list<string>|null  $deadlines  ids; null for all
     * @return Builder rows with whether the deadline is personal by now
     */
    private static function rows(?array $deadlines): Builder
    {
        return DB::table('deadline_runs')->leftJoin('deadline_kinds', 'deadline_kinds.deadline_id', '=', 'deadline_runs.deadline_id')
            ->when($deadlines !== null, fn (Builder $q) => $q->whereIn('deadline_runs.deadline_id', $deadlines ?? []))
            ->select(['deadline_runs.deadline_id', 'holder', 'person_id', 'started_at', 'ends_at', 'why', 'closed_at', 'personal']);
    }

    /**
     * @param  list<string>  $people
     * @param  list<string>  $deadlines
     * @return array<string, array<string, Run>> by person and deadline; one that is for everyone stands with each
     */
    public static function ofPeople(array $people, array $deadlines, DateTimeInterface $now): array
    {
        $everyone = DeadlineOwner::everyone()->key;
        $shared = $own = [];
        foreach ($deadlines === [] ? [] : self::rows($deadlines)->where(fn (Builder $q) => $q->whereIn('person_id', $people)
            ->orWhere('holder', $everyone))->get() as $row) {
            if ($row->holder === $everyone) {
                $shared[(string) $row->deadline_id][] = self::read($row);
            } else {
                $own[(string) $row->person_id][(string) $row->deadline_id][] = self::read($row);
            }
        }
        $now = DateTimeImmutable::createFromInterface($now);
        $runs = [];
        foreach ($people as $person) {
            foreach (array_keys($shared + ($own[$person] ?? [])) as $deadline) {
                $held = HeldRun::of([...$own[$person][$deadline] ?? [], ...$shared[$deadline] ?? []], $now);
                if ($held !== null) {
                    $runs[$person][$deadline] = $held;
                }
            }
        }

        return $runs;
    }

    /** @return Collection<string, stdClass> the deadlines that somebody has runs of, as they were called, by their ids */
    public static function namesFor(string $person): Collection
    {
        return DB::table('deadline_runs')->where('person_id', $person)->get(['deadline_id', 'name', 'funnel_id'])->keyBy('deadline_id');
    }

    /** The run that a deadline has, or had, for everyone at once, whatever its kind is by now. */
    public static function forEveryone(string $deadline): ?Run
    {
        $row = self::rows([$deadline])->where('holder', DeadlineOwner::everyone()->key)->first();

        return $row === null ? null : self::read($row);
    }

    public static function read(stdClass $row): Run
    {
        $forAll = ($row->holder ?? '') === DeadlineOwner::everyone()->key;

        return new Run(self::moment($row->started_at), self::moment($row->ends_at), (string) $row->why, $row->closed_at !== null, $forAll,
            isset($row->personal) && (bool) $row->personal === $forAll);
    }

    private static function moment(mixed $sql): DateTimeImmutable
    {
        return new DateTimeImmutable((string) $sql, new DateTimeZone('UTC'));
    }

    /**
     * Writes a fact down, and how the deadline stands for its holder from now on.
     *
     * @param  array{id: string, name: string, funnel: string, business: int}  $which
     */
    public static function add(array $which, DeadlineOwner $holder, Fact $fact, ?int $user = null): void
    {
        DB::table('deadline_facts')->insert(['business_id' => $which['business'], 'funnel_id' => $which['funnel'],
            'deadline_id' => $which['id'], 'name' => $which['name'], 'holder' => $holder->key, 'person_id' => $holder->person,
            'visitor' => $holder->visitor, 'type' => $fact->type->value, 'at' => Instant::sql($fact->at),
            'ends_at' => $fact->endsAt === null ? null : Instant::sql($fact->endsAt), 'anew' => $fact->anew,
            'why' => mb_substr($fact->why, 0, 300), 'user_id' => $user]);
        self::follow($which['id'], $holder->key);
    }

    /**
     * Brings the row of a holder into line with the facts.
     *
     * @return Run|null how it runs for them now
     */
    public static function follow(string $deadline, string $holder): ?Run
    {
        $rows = DB::table('deadline_facts')->where('deadline_id', $deadline)->where('holder', $holder)->orderBy('id')->get();
        $run = Facts::run(array_values($rows->map(self::fact(...))->all()));
        $first = $rows->first();
        $row = DB::table('deadline_runs')->where('deadline_id', $deadline)->where('holder', $holder);
        if ($run === null || $first === null) {
            $row->delete();

            return null;
        }
        $was = $row->first(['ends_at', 'started_at', 'closed_at']);
        $ends = Instant::sql($run->endsAt);
        DB::table('deadline_runs')->upsert([['business_id' => $first->business_id, 'funnel_id' => $first->funnel_id,
            'deadline_id' => $deadline, 'name' => $rows->last()->name ?? $first->name, 'holder' => $holder,
            'person_id' => $rows->last()?->person_id,
            'number' => 1 + $rows->filter(fn (stdClass $r): bool => $r->type === FactType::Started->value && (bool) $r->anew)->count(),
            'started_at' => Instant::sql($run->startedAt), 'ends_at' => $ends, 'why' => mb_substr($run->why, 0, 500),
            // A move to another end opens again what was over.
            'closed_at' => $was !== null && $was->ends_at === $ends && $was->started_at === Instant::sql($run->startedAt)
                ? $was->closed_at : null]],
            ['deadline_id', 'holder'], ['name', 'person_id', 'number', 'started_at', 'ends_at', 'why', 'closed_at']);

        return $run;
    }

    public static function fact(stdClass $row): Fact
    {
        return new Fact(FactType::from((string) $row->type), self::moment($row->at),
            $row->ends_at === null ? null : self::moment($row->ends_at), (string) $row->why, (bool) $row->anew);
    }

    /**
     * From now on a browser is a person's: what began in it while it was nobody's began for them, and the earliest start holds.
     *
     * @return list<string> ids of the deadlines that stand otherwise for them than before
     */
    public static function join(string $visitor, string $person, DateTimeInterface $now): array
    {
        $browser = DeadlineOwner::browser($visitor)->key;
        $theirs = DeadlineOwner::person($person)->key;
        $changed = [];
        foreach (DB::table('deadline_facts')->where('holder', $browser)->distinct()->pluck('deadline_id') as $deadline) {
            $before = self::of([$theirs], $now, [(string) $deadline]);
            DB::table('deadline_facts')->where('holder', $browser)->where('deadline_id', $deadline)
                ->update(['holder' => $theirs, 'person_id' => $person]);
            DB::table('deadline_runs')->where('holder', $browser)->where('deadline_id', $deadline)->delete();
            $after = self::follow((string) $deadline, $theirs);
            if ($after?->endsAt != ($before[(string) $deadline]->endsAt ?? null)) {
                $changed[] = (string) $deadline;
            }
        }

        return $changed;
    }

    /** Two persons are one from now on: the facts are moved already, the rows follow. */
    public static function merged(string $person): void
    {
        $holder = DeadlineOwner::person($person)->key;
        $facts = fn () => DB::table('deadline_facts')->where('person_id', $person);
        $facts()->update(['holder' => $holder]);
        DB::table('deadline_runs')->where('person_id', $person)->where('holder', '!=', $holder)->delete();
        foreach ($facts()->distinct()->pluck('deadline_id') as $deadline) {
            self::follow((string) $deadline, $holder);
        }
    }

    /**
     * The end of these has been noticed.
     *
     * @param  list<string>  $holders
     */
    public static function close(string $deadline, array $holders, DateTimeInterface $now): void
    {
        DB::table('deadline_runs')->where('deadline_id', $deadline)->whereIn('holder', $holders)->whereNull('closed_at')
            ->where('ends_at', '<=', Instant::sql($now))->update(['closed_at' => Instant::sql($now)]);
    }
}
