<?php

declare(strict_types=1);

namespace App\Experiments;

use App\Models\Experiment;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Experiments\Answer;
use Lantern\Core\Experiments\Arm;
use Lantern\Core\Experiments\Purchases;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Verdict;
use Lantern\Core\Experiments\Wave;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Results\Days;
use stdClass;

/** A split test with what it has seen so far, and what that says. */
final readonly class ExperimentResults
{
    private CarbonImmutable $until;

    /** @var list<stdClass> see {@see self::counts()} */
    private array $counts;

    public function __construct(private Experiment $experiment, CarbonImmutable $now)
    {
        $this->until = $experiment->ended_at ?? $now;
        $this->counts = $this->counts();
    }

    public function answer(): Answer
    {
        $paid = $this->experiment->goal === TestGoal::Revenue ? $this->paidFirst() : [];

        return Answer::of($this->experiment->goal, $this->experiment->rule(), $this->arms(), $this->days(), $paid);
    }

    /** @return non-empty-list<Arm> the page as it was first */
    private function arms(): array
    {
        $seen = $this->seen();
        $net = $this->experiment->goal === TestGoal::Revenue ? $this->net() : [];
        $arms = [];
        foreach ($this->experiment->variants as $letter => $variant) {
            $row = $seen[$letter] ?? ['visitors' => 0, 'reached' => 0, 'settled' => 0];
            $arms[] = new Arm((string) $letter, $variant['weight'], $row['visitors'], $row['reached'], $row['settled'],
                Purchases::of($net[$letter] ?? []));
        }

        return $arms === [] ? [new Arm(SplitTest::ORIGINAL, 1, 0, 0)] : $arms;
    }

    /**
     * In one pass over all of them.
     *
     * @return list<stdClass> by variant and day: visitors, how many reached the goal, how many did in time, and for how many that time
     *     is over
     */
    private function counts(): array
    {
        [$column, $within] = [$this->column(), $this->experiment->tested->settlesAfter($this->experiment->goal)];
        $inTime = $within === null ? "{$column} is not null" : "{$column} <= {$within}";
        $settled = $within === null ? '1' : "case when seen_at <= '".Instant::sql($this->until->subSeconds($within))."' then 1 else 0 end";

        return array_values($this->counted()->groupBy('variant', 'day')->orderBy('variant')->orderBy('day')->selectRaw("variant, day,
            count(*) as visitors, count({$column}) as reached, sum(case when {$inTime} then 1 else 0 end) as in_time,
            sum(case when {$inTime} then 0 else {$settled} end) as settled")->get()->all());
    }

    /** @return array<string, array{visitors: int, reached: int, settled: int}> by letter: how many reached the goal in time */
    private function seen(): array
    {
        $seen = [];
        foreach ($this->counts as $row) {
            $sum = $seen[(string) $row->variant] ?? ['visitors' => 0, 'reached' => 0, 'settled' => 0];
            $seen[(string) $row->variant] = ['visitors' => $sum['visitors'] + (int) $row->visitors,
                'reached' => $sum['reached'] + (int) $row->in_time, 'settled' => $sum['settled'] + (int) $row->settled];
        }

        return $seen;
    }

    /** @return array<string, array{int, int}> by date in the owner's zone: how many came, and how many of them reached the goal */
    private function byDay(): array
    {
        $days = [];
        foreach ($this->counts as $row) {
            $sum = $days[(string) $row->day] ?? [0, 0];
            $days[(string) $row->day] = [$sum[0] + (int) $row->visitors, $sum[1] + (int) $row->reached];
        }
        ksort($days);

        return $days;
    }

    /** @return list<list<float>> by variant: what each buyer paid first */
    private function paidFirst(): array
    {
        $paid = array_map(fn (): array => [], $this->experiment->variants);
        foreach ($this->counted()->whereNotNull('bought_after')->where('currency', $this->experiment->currency)
            ->get(['variant', 'paid']) as $row) {
            $paid[(string) $row->variant][] = (float) $row->paid;
        }

        return array_values($paid);
    }

    /** @return array<string, list<float>> by letter: of each buyer all they bought in the funnel since, less what went back */
    private function net(): array
    {
        $sum = fn (string $whose): string => "(select coalesce(sum(paid), 0) - coalesce(sum(refunded), 0) from orders where funnel_id = ?
            and owner = 0 and currency = ? and bought_at >= experiment_people.seen_at
            and orders.{$whose} = experiment_people.{$whose})";
        $with = [$this->experiment->funnel_id, $this->experiment->currency];
        $net = [];
        foreach ($this->counted()->whereNotNull('bought_after')->orderBy('id')->selectRaw(
            "variant, case when person_id is null then {$sum('visitor')} else {$sum('person_id')} end as net", [...$with, ...$with])
            ->get() as $row) {
            $net[(string) $row->variant][] = (float) $row->net;
        }

        return $net;
    }

    private function counted(): Builder
    {
        return DB::table('experiment_people')->where('experiment_id', $this->experiment->id)->where('counted', true);
    }

    private function column(): string
    {
        return match ($this->experiment->goal) {
            TestGoal::Signup => 'joined_after',
            TestGoal::Confirmation => 'confirmed_after',
            TestGoal::Sale, TestGoal::Revenue => 'bought_after',
            TestGoal::Click => 'clicked_after',
            TestGoal::Open => 'opened_after',
        };
    }

    /** Whole days since it began. */
    private function days(): int
    {
        return (int) $this->experiment->started_at->diffInDays($this->until);
    }

    private function zone(): DateTimeZone
    {
        return $this->experiment->business->zone();
    }

    /** @return array<string, mixed> for the Studio */
    public function toArray(): array
    {
        $e = $this->experiment;
        $answer = $this->answer();
        $days = $this->byDay();
        $pace = $this->pace($days);
        $words = new AnswerWords($answer, $e, $this->amount(...));
        $arms = [];
        foreach ($answer->arms as $i => $arm) {
            $arms[] = ['letter' => $arm->letter, 'note' => $e->variants[$arm->letter]['note'] ?? '', 'weight' => $arm->weight,
                'visitors' => $arm->visitors, 'reached' => $arm->reached, 'best' => $answer->best[$i],
                'mean' => $this->shown($answer->means[$i]), 'low' => $this->shown($answer->intervals[$i][0]),
                'high' => $this->shown($answer->intervals[$i][1]), 'value' => $words->value($answer->means[$i]),
                'between' => $words->between($answer->intervals[$i])];
        }

        return ['id' => $e->id, 'funnel' => $e->funnel_id, 'part' => $e->part_id, 'of' => $e->tested->value,
            'partKind' => $e->tested->partKind(), 'who' => $e->tested->who(), 'verb' => $e->goal->verb(),
            'name' => $e->name, 'goal' => $e->goal->value,
            'goalLabel' => $e->goal->label(), 'startedAt' => Instant::json($e->started_at), 'endedAt' => Instant::json($e->ended_at),
            'endedHow' => $e->ended_how, 'winner' => $e->winner, 'learned' => $e->learned, 'byItself' => $e->by_itself,
            'days' => $this->days(),
            'mostDays' => $e->most_days, 'verdict' => $answer->verdict->value, 'leader' => $answer->arms[$answer->leader]->letter,
            'sentence' => $words->sentence(), 'cost' => $words->cost(), 'waiting' => $words->waiting($pace), 'arms' => $arms,
            'warnings' => $this->warnings($answer, $days), 'byDay' => array_map(fn (string $day, array $d): array => ['day' => $day,
                'visitors' => $d[0], 'reached' => $d[1]], array_keys($days), $days)];
    }

    /**
     * @param  array<string, array{int, int}>  $days
     * @return float visitors a day, as in the last week
     */
    private function pace(array $days): float
    {
        $week = array_filter($days, fn (string $day): bool => $day > Days::of($this->until->subDays(7), $this->zone()),
            ARRAY_FILTER_USE_KEY);

        return array_sum(array_column($week, 0)) / max(1, min(7, $this->days()));
    }

    /**
     * @param  array<string, array{int, int}>  $days
     * @return list<string>
     */
    private function warnings(Answer $answer, array $days): array
    {
        $warnings = [];
        if ($answer->verdict === Verdict::Spoiled) {
            $got = $this->experiment->tested->isSent() ? 'got' : 'saw';
            $counts = implode(' and ', array_map(fn (Arm $a): string => number_format($a->visitors)." {$got} ".strtoupper($a->letter),
                $answer->arms));
            $how = $this->experiment->tested->isSent() ? 'an email that does not go out for some of them'
                : 'a link that leads to one variant alone, or a page that does not load';
            $warnings[] = "{$counts}: that does not happen by chance with these weights. Something sorts your "
                ."{$this->experiment->tested->who()}, such as {$how}. What the test says cannot be believed.";
        }
        if ($this->experiment->changed_at !== null) {
            $warnings[] = 'A variant was changed while the test ran, on '.Days::of($this->experiment->changed_at, $this->zone())
                .'. What was seen before belongs to something else: end it, and begin a new test.';
        }
        // What is sent goes to people on the list, and to many of them on one day.
        foreach ($this->experiment->tested->isSent() ? [] : Wave::in($days) as $day) {
            $warnings[] = "On {$day} far more visitors came than usual, and hardly anybody did anything. That looks like programs; "
                .'both variants had them alike, so the test only takes longer.';
        }
        $foreign = $this->experiment->goal !== TestGoal::Revenue ? 0 : $this->counted()->whereNotNull('bought_after')
            ->where('currency', '!=', $this->experiment->currency)->count();
        if ($foreign > 0) {
            $warnings[] = "{$foreign} paid in another currency than {$this->experiment->currency} and count as having paid nothing.";
        }
        if ($this->experiment->ended_how === 'withdrawn') {
            $warnings[] = 'It ended when a version without it was published. Publish one with it, and it goes on.';
        }

        return $warnings;
    }

    /** A rate as it is; money in the unit in which it is written. */
    private function shown(float $value): float
    {
        return $this->experiment->goal === TestGoal::Revenue ? $value / 10 ** Currency::of($this->experiment->currency)->decimals : $value;
    }

    private function amount(float $minor): string
    {
        return Money::of((int) round($minor), Currency::of($this->experiment->currency))->words($this->experiment->business->locale);
    }
}
