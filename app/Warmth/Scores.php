<?php

declare(strict_types=1);

namespace App\Warmth;

use App\Models\Business;
use App\Models\Person;
use App\Support\DueWork;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Results\Days;
use Lantern\Core\Support\Shape;
use Lantern\Core\Warmth\Score;
use Lantern\Core\Warmth\Warming;
use Lantern\Core\Warmth\Weights;

/**
 * How warm people are. What the database adds up for all of them and what the core says of one come to the same, since both add whole
 * numbers. It is kept with the person, worked out again whenever they do something, and for everybody once a day, as it fades. That
 * somebody has unsubscribed makes them cold when it is read, not when it is kept.
 */
final readonly class Scores implements DueWork
{
    private const HALF = 500_000;

    /** {@see \Lantern\Core\People\Subscription::isReached()} in SQL, of `people`; whoever was forgotten is among those who left. */
    public const REACHED = 'unsubscribed_at is null and suppressed is null';

    public static function weights(Business $business): Weights
    {
        return $business->warmth === null ? Weights::usual() : Weights::fromShape(Shape::of($business->warmth));
    }

    /** With the word whether emails reach them: where they do not, they are cold. */
    public static function ofPerson(Person $person, Weights $weights, DateTimeImmutable $now): Score
    {
        return Score::of($weights, self::days($person->id), Days::of($now, $person->business->zone()),
            cold: ! $person->subscription()->isReached());
    }

    /** @return array<string, list<string>> by action */
    private static function days(string $person): array
    {
        $days = [];
        foreach (DB::table('warm_days')->where('person_id', $person)->orderBy('day')->get(['action', 'day']) as $row) {
            $days[(string) $row->action][] = (string) $row->day;
        }

        return $days;
    }

    /** Somebody did something. */
    public static function follow(string $person, Business $business, DateTimeImmutable $now): ?Warming
    {
        $known = Person::query()->find($person);
        $score = Score::of(self::weights($business), self::days($person), Days::of($now, $business->zone()))->value;
        DB::table('people')->where('id', $person)->update(['warmth' => $score]);

        return $known === null ? null : Warming::of($known->warmth, $score, $known->subscription());
    }

    /** What somebody did turns out to be another's, or more of it theirs. */
    public static function anew(string $person, DateTimeImmutable $now): void
    {
        $business = Business::query()->where('id', DB::table('people')->where('id', $person)->value('business_id'))->first();
        if ($business !== null) {
            WarmDays::collect($person, $business->zone());
            self::follow($person, $business, $now);
        }
    }

    /** Everybody is looked at, as all of it has faded. */
    public function refresh(Business $business, CarbonImmutable $now): void
    {
        $today = Days::of($now, $business->zone());
        DB::transaction(function () use ($business, $today): void {
            self::prepare(self::weights($business), $today);
            DB::table('people')->where('business_id', $business->id)->update(['warmth' => DB::raw(self::SUM)]);
            DB::table('businesses')->where('id', $business->id)->update(['warmth_on' => $today]);
        });
    }

    /**
     * What people would be with other weights, the warmest first.
     *
     * @return list<array{id: string, now: int, then: int}> those of the warmest with either
     */
    public function preview(Business $business, Weights $weights, CarbonImmutable $now, int $most): array
    {
        self::prepare($weights, Days::of($now, $business->zone()));
        $people = DB::table('people')->where('business_id', $business->id)->whereRaw(self::REACHED)
            ->selectRaw('id, warmth, '.self::SUM.' as then_warmth');
        $rows = DB::query()->fromSub($people, 'p')->orderByRaw('max(warmth, then_warmth) desc, then_warmth desc, id')->limit($most)->get();

        return array_values($rows->map(fn (object $r): array => ['id' => (string) $r->id, 'now' => (int) $r->warmth,
            'then' => (int) $r->then_warmth])->all());
    }

    /** The score of one of `people`, as {@see Score} has it. */
    private const SUM = 'coalesce((select min('.Score::MOST.', (sum(p.points * f.left_over) + '.self::HALF.') / '.Weights::UNIT.')
        from warm_days w join warm_points p on p.action = w.action join warm_factors f on f.day = w.day
        where w.person_id = people.id), 0)';

    /** Weights and what is left of each day, where the database can read them. */
    private static function prepare(Weights $weights, string $today): void
    {
        DB::statement('create temporary table if not exists warm_points (action text primary key, points integer)');
        DB::statement('create temporary table if not exists warm_factors (day text primary key, left_over integer)');
        DB::table('warm_points')->delete();
        DB::table('warm_factors')->delete();
        DB::table('warm_points')->insert(array_map(fn (string $action, int $points): array => ['action' => $action, 'points' => $points],
            array_keys($weights->points), $weights->points));
        $day = new DateTimeImmutable($today, new DateTimeZone('UTC'));
        $rows = [];
        for ($age = 0; $age < $weights->forgets(); $age++) {
            $rows[] = ['day' => $day->modify("-{$age} days")->format('Y-m-d'), 'left_over' => $weights->left($age)];
        }
        foreach (array_chunk($rows, 400) as $some) {
            DB::table('warm_factors')->insert($some);
        }
    }

    public function task(): Task
    {
        return Task::Warmth;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $next = null;
        foreach (self::fading() as $business) {
            // A day of theirs begins.
            $begins = $business->warmth_on === Days::of($now, $business->zone())
                ? $now->setTimezone($business->zone())->addDay()->startOfDay()->utc() : $now;
            $next = $next === null || $begins < $next ? $begins : $next;
        }

        return $next;
    }

    /** @return Collection<int, Business> those in which anybody is warm at all: nothing else fades */
    private static function fading(): Collection
    {
        return Business::query()->whereIn('id', DB::table('people')->where('warmth', '>', 0)->select('business_id'))->get();
    }

    public function work(CarbonImmutable $now): int
    {
        $done = 0;
        foreach (self::fading() as $business) {
            if ($business->warmth_on !== Days::of($now, $business->zone())) {
                $this->refresh($business, $now);
                $done++;
            }
        }

        return $done;
    }
}
