<?php

declare(strict_types=1);

namespace App\Experiments;

use App\Models\Experiment;
use App\Models\Funnel;
use App\Models\Version;
use App\Results\CountReader;
use App\Results\CountSums;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Experiments\Expected;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;

/** Split tests follow what is public: they begin with the version that brings them, and end where one comes without them. */
final class RunningTests
{
    /** So many weeks of what there was before say what is to be expected. */
    private const WEEKS = 8;

    /** Call it within the transaction that makes the version live. */
    public static function follow(Funnel $funnel, Version $version, CarbonImmutable $now): void
    {
        $on = [];
        // Most have none, and their plans need not be read for it.
        if (in_array(SplitTest::kind(), array_column((array) ($version->plan['parts'] ?? []), 'kind'), true)) {
            $plan = $version->plan();
            foreach ($plan->splitTests as $test) {
                if ($test->on && $plan->contentOf($test) !== null) {
                    $on[] = $test->id;
                    self::begin($funnel, $plan, $test, $now);
                }
            }
        }
        Experiment::query()->where('funnel_id', $funnel->id)->whereNull('ended_at')->whereNotIn('id', $on)
            ->update(['ended_at' => Instant::sql($now), 'ended_how' => 'withdrawn']);
    }

    private static function begin(Funnel $funnel, Plan $plan, SplitTest $test, CarbonImmutable $now): void
    {
        $prints = [];
        foreach (array_keys($plan->weightsOf($test)) as $letter) {
            $prints[$letter] = self::print($plan->shownAs($test, $letter));
        }
        $before = Experiment::query()->find($test->id);
        if ($before === null) {
            $notes = array_column(array_map(fn (Variant $v): array => [$v->letter, $v->name], $plan->variantsOf($test->id)), 1, 0);
            $variants = [];
            foreach ($plan->weightsOf($test) as $letter => $weight) {
                $variants[$letter] = ['weight' => $weight, 'note' => $notes[$letter] ?? 'As it was', 'print' => $prints[$letter]];
            }
            Experiment::query()->create(['id' => $test->id, 'business_id' => $funnel->business_id, 'funnel_id' => $funnel->id,
                'part_id' => $test->part, 'tested' => $test->of, 'name' => $test->name, 'goal' => $test->goal, 'variants' => $variants,
                'currency' => $funnel->sellsIn(), 'most_days' => $test->mostDays, 'by_itself' => $test->byItself, 'started_at' => $now]
                + self::expected($funnel, $test, $now));

            return;
        }
        // One that was withdrawn by mistake goes on; one that was ended stays so.
        if ($before->ended_how === 'withdrawn') {
            $before->forceFill(['ended_at' => null, 'ended_how' => null]);
        }
        $was = array_map(fn (array $v): string => $v['print'], $before->variants);
        if ($was !== array_intersect_key($prints, $was)) {
            $variants = $before->variants;
            foreach ($variants as $letter => $variant) {
                $variants[$letter] = ['print' => $prints[$letter] ?? ''] + $variant;
            }
            $before->forceFill(['variants' => $variants, 'changed_at' => $now]);
        }
        $before->forceFill(['by_itself' => $test->byItself, 'most_days' => $test->mostDays, 'name' => $test->name])->save();
    }

    /** @return array{expected: float, typical: int} what there was in the last eight weeks, or what is usual */
    private static function expected(Funnel $funnel, SplitTest $test, CarbonImmutable $now): array
    {
        $sums = CountReader::byPage([$funnel->id], Period::last(self::WEEKS * 7, $now, $funnel->business->zone()))[$funnel->id] ?? [];
        $whole = CountReader::whole($sums);
        [$met, $reached] = $test->of === Tested::Page
            ? [($sums[$test->part] ?? new CountSums)->of(Measure::Visitors), $whole->of(match ($test->goal) {
                TestGoal::Confirmation => Measure::Confirmed,
                TestGoal::Sale, TestGoal::Revenue => Measure::Orders,
                default => Measure::Signups,
            })] : self::before($test, $now->subWeeks(self::WEEKS));
        $expected = Expected::of($test->goal, $met, $reached, $whole->of(Measure::Orders),
            $whole->money(Measure::Paid)[$funnel->sellsIn()] ?? 0, $test->of);

        return ['expected' => $expected->rate, 'typical' => $expected->typical];
    }

    /** @return array{int, int} how many were sent an email or shown a pop-up, and how many of them did what the test wants */
    private static function before(SplitTest $test, CarbonImmutable $since): array
    {
        if ($test->of === Tested::Email) {
            $row = DB::table('messages')->where('email_id', $test->part)->where('sent_at', '>=', Instant::sql($since))
                ->selectRaw('count(*) as sent, count(opened_at) as opened, count(clicked_at) as clicked')->first();

            return [(int) ($row->sent ?? 0), (int) match ($test->goal) {
                TestGoal::Open => $row->opened ?? 0,
                TestGoal::Click => $row->clicked ?? 0,
                default => 0,
            }];
        }
        $facts = fn (PopupFactType $type): int => DB::table('popup_facts')->where('popup_id', $test->part)->where('type', $type->value)
            ->where('at', '>=', Instant::sql($since))->count();

        // Who bought after a sequence or a pop-up was not counted by either.
        return $test->of !== Tested::Popup ? [0, 0] : [$facts(PopupFactType::Shown), match ($test->goal) {
            TestGoal::Signup => $facts(PopupFactType::Joined),
            TestGoal::Click => $facts(PopupFactType::Clicked),
            default => 0,
        }];
    }

    /** @param  array<array-key, mixed>  $shown */
    private static function print(array $shown): string
    {
        return substr(hash('sha256', json_encode($shown, JSON_THROW_ON_ERROR)), 0, 16);
    }

    /** Everybody gets what it ended with from now on. */
    public static function end(Experiment $experiment, ?string $winner, string $how, CarbonImmutable $now): bool
    {
        return DB::table('experiments')->where('id', $experiment->id)->whereNull('ended_at')
            ->update(['ended_at' => Instant::sql($now), 'winner' => $winner, 'ended_how' => $how]) > 0;
    }
}
