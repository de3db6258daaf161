<?php

declare(strict_types=1);

namespace App\Experiments;

use App\Models\Experiment;
use App\Support\Instant;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Results\Days;
use stdClass;

/**
 * Who gets which variant, and what they reach. A browser keeps its variant by a hash, a person the one that they saw first, on
 * whatever device. Whoever was seen in two browsers counts once, with what they saw first.
 */
final class Exposures
{
    /** What is reached, by its event: the column that says after how many seconds. */
    private const REACHED = ['joined' => 'joined_after', 'confirmed' => 'confirmed_after', 'bought' => 'bought_after',
        'opened' => 'opened_after', 'clicked' => 'clicked_after'];

    /**
     * @param  array<string, int>  $weights  by letter
     * @param  string  $visitor  the browser, by its id; `person` whose it is, where that is known
     */
    public static function letter(string $test, array $weights, string $visitor, ?string $person): string
    {
        $seen = $person === null ? null : self::seen($test)->where('person_id', $person)->orderBy('seen_at')->orderBy('id')
            ->value('variant');
        $seen ??= self::seen($test)->where('visitor', $visitor)->value('variant');

        return Assignment::keeping($seen, $test, $person ?? $visitor, $weights);
    }

    /** The test that runs on a part. */
    public static function running(string $part): ?Experiment
    {
        return Experiment::query()->where('part_id', $part)->whereNull('ended_at')->first();
    }

    /** Which variant of a page somebody has seen, in a test that runs on it; null where there is none, or they have not. */
    public static function seenOf(string $page, ?string $visitor, ?string $person): ?string
    {
        $letter = DB::table('experiment_people')
            ->whereIn('experiment_id', DB::table('experiments')->where('part_id', $page)->whereNull('ended_at')->select('id'))
            ->where(fn (Builder $q) => $q->where('visitor', $visitor ?? '')->orWhere('person_id', $person ?? ''))
            ->orderBy('seen_at')->orderBy('id')->value('variant');

        return is_string($letter) ? $letter : null;
    }

    /**
     * The variant that a page says it showed, if it is the one that this browser gets. Whoever keeps no cookies gets another id with
     * each page and is left out, as is whoever makes something up.
     *
     * @return array{test: string, letter: string}|null
     */
    public static function confirmed(string $page, mixed $shown, string $visitor, ?string $person): ?array
    {
        $test = is_string($shown) && in_array($shown, SplitTest::LETTERS, true) ? self::running($page) : null;

        return $test !== null && self::letter($test->id, $test->weights(), $visitor, $person) === $shown
            ? ['test' => $test->id, 'letter' => (string) $shown] : null;
    }

    /** Somebody sees a variant; the first time counts. */
    public static function see(string $test, string $letter, string $visitor, ?string $person, DateTimeImmutable $at,
        DateTimeZone $zone): void
    {
        $before = $person !== null && self::seen($test)->where('person_id', $person)->exists();
        DB::table('experiment_people')->insertOrIgnore(['experiment_id' => $test, 'visitor' => $visitor, 'person_id' => $person,
            'variant' => $letter, 'seen_at' => Instant::sql($at), 'day' => Days::of($at, $zone), 'counted' => ! $before]);
    }

    /**
     * Somebody reaches what a test of the funnel may want.
     *
     * @param  int|null  $paid  what they paid, in the smallest unit of `currency`
     * @param  list<string>|null  $about  ids of the parts whose tests it concerns, as a click does; null for all of the funnel
     */
    public static function reach(string $funnel, EventType $type, ?string $visitor, ?string $person, DateTimeImmutable $at,
        ?int $paid = null, ?string $currency = null, ?array $about = null): void
    {
        $column = self::REACHED[$type->value] ?? null;
        if ($column === null || ($visitor === null && $person === null)) {
            return;
        }
        $rows = DB::table('experiment_people')
            ->whereIn('experiment_id', DB::table('experiments')->where('funnel_id', $funnel)->whereNull('ended_at')
                ->when($about !== null, fn (Builder $q) => $q->whereIn('part_id', $about ?? []))->select('id'))
            ->where(fn (Builder $q) => $q->where('visitor', $visitor ?? '')->orWhere('person_id', $person ?? ''))
            ->where('seen_at', '<=', Instant::sql($at))->get();
        foreach ($rows->groupBy('experiment_id') as $ofTest) {
            // What the person has seen comes first: whoever types an address that is known gains nobody for what their browser saw.
            $own = $person === null ? $ofTest : $ofTest->sortByDesc(fn (stdClass $r): bool => $r->person_id === $person);
            /** @var stdClass $row the one that counts, whichever browser it was */
            $row = $own->firstWhere('counted', 1) ?? self::countedOf($own->first()) ?? $own->first();
            if ($row->{$column} === null) {
                DB::table('experiment_people')->where('id', $row->id)->update([$column => self::after($row, Instant::sql($at))]
                    + ($type === EventType::Bought ? ['paid' => $paid, 'currency' => $currency] : []));
            }
        }
    }

    /**
     * Somebody on the list gets a variant of what is sent; the first time counts.
     */
    public static function send(string $test, string $letter, string $person, DateTimeImmutable $at, DateTimeZone $zone): void
    {
        self::see($test, $letter, self::mailbox($test, $person), $person, $at, $zone);
    }

    /** In the place of a browser, for what comes by mail. It says nothing of whose it is once they are forgotten. */
    private static function mailbox(string $test, string $person): string
    {
        return substr(hash('sha256', "{$test}|{$person}"), 0, 32);
    }

    /**
     * The variant that somebody on the list gets of what is sent.
     *
     * @param  array<string, int>  $weights  by letter
     */
    public static function letterFor(string $test, array $weights, string $person): string
    {
        return self::letter($test, $weights, self::mailbox($test, $person), $person);
    }

    /** A browser turns out to be somebody's. */
    public static function join(string $visitor, string $person): void
    {
        $tests = DB::table('experiment_people')->where('visitor', $visitor)->whereNull('person_id')->pluck('experiment_id');
        if ($tests->isNotEmpty()) {
            DB::table('experiment_people')->where('visitor', $visitor)->whereNull('person_id')->update(['person_id' => $person]);
            self::once($person);
        }
    }

    /** Whoever was seen in several browsers counts once, with what they saw first and all that they reached. */
    public static function once(string $person): void
    {
        $columns = [...array_values(self::REACHED)];
        $all = DB::table('experiment_people')->where('person_id', $person)->orderBy('seen_at')->orderBy('id')->get();
        foreach ($all->groupBy('experiment_id') as $rows) {
            $first = $rows->first();
            if ($first === null || $rows->count() < 2) {
                continue;
            }
            $values = ['counted' => true];
            foreach ($columns as $column) {
                $reached = $rows->whereNotNull($column)->sortBy(fn (stdClass $r): string => self::moment($r, $column));
                $row = $reached->first();
                $values[$column] = $row === null ? null : self::after($first, self::moment($row, $column));
                if ($column === 'bought_after' && $row !== null) {
                    $values += ['paid' => $row->paid, 'currency' => $row->currency];
                }
            }
            DB::table('experiment_people')->where('id', $first->id)->update($values);
            DB::table('experiment_people')->whereIn('id', $rows->skip(1)->pluck('id'))->update(['counted' => false,
                'paid' => null, 'currency' => null] + array_fill_keys($columns, null));
        }
    }

    private static function countedOf(?stdClass $row): ?stdClass
    {
        return $row?->person_id === null ? null : DB::table('experiment_people')->where('experiment_id', $row->experiment_id)
            ->where('person_id', $row->person_id)->where('counted', true)->first();
    }

    private static function seen(string $test): Builder
    {
        return DB::table('experiment_people')->where('experiment_id', $test);
    }

    private static function moment(stdClass $row, string $column): string
    {
        return Instant::sql((Instant::carbon($row->seen_at) ?? throw new \LogicException('Seen at no time.'))
            ->addSeconds((int) $row->{$column}));
    }

    private static function after(stdClass $row, string $at): int
    {
        return max(0, (int) Instant::carbon($row->seen_at)?->diffInSeconds(Instant::carbon($at)));
    }
}
