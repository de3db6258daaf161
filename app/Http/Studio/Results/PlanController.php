<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Drafts\DraftPlan;
use App\Http\Studio\StudioController;
use App\Models\Funnel;
use App\Models\FunnelGoal;
use App\Results\BackwardPlans;
use App\Results\LeakFinder;
use App\Results\LeakWords;
use App\Support\Input;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\Success;
use Lantern\Core\Results\BackwardPlan;
use Lantern\Core\Results\GoalProgress;
use Lantern\Core\Results\Leak;
use Lantern\Core\Results\PlanStep;
use Lantern\Core\Results\Step;
use Lantern\Core\Support\Invalid;

/** Where a funnel leaks, and what a goal takes. */
final class PlanController extends StudioController
{
    private const MOST_WANTED = 1_000_000;

    public function leaks(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $finder = new LeakFinder($found, DraftPlan::read($found), AskedPeriod::of($request, $this->business()->zone()));
        $leaks = $finder->leaks();
        $words = new LeakWords($found);
        $leaking = array_map(fn (Leak $l): Step => $l->step, $leaks);
        $quiet = array_values(array_filter($finder->steps(), fn (Step $s): bool => ! in_array($s, $leaking, false)));

        return response()->json(['leaks' => array_map($words->of(...), $leaks), 'quiet' => array_map($words->quiet(...), $quiet),
            'enough' => Leak::ENOUGH]);
    }

    /** What a goal takes, by the rates of today or as they might be; and the one that is written down. */
    public function plan(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $current = BackwardPlans::current($found);
        $what = Success::tryFrom(Input::text($request, 'what')) ?? $current->what ?? $found->success();
        $changed = $request->has('rates') ? self::rates($request) : ($current->rates ?? []);
        $until = $request->has('until') ? self::until($request, $this->business()->zone()) : ($current->until ?? null);

        return response()->json($this->answer($found, $what, Input::number($request, 'wanted', $current->wanted ?? 20, 1,
            self::MOST_WANTED),
            $until, $changed) + ['goal' => $this->goal($found)]);
    }

    public function keep(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $wanted = Input::number($request, 'wanted', 0, 0, self::MOST_WANTED);
        if ($wanted < 1) {
            throw Invalid::at('wanted', 'How many do you want? At least one.');
        }
        $what = Success::tryFrom(Input::text($request, 'what')) ?? throw Invalid::at('what', 'Please choose what you want more of.');
        $until = self::until($request, $this->business()->zone());
        DB::transaction(function () use ($found, $what, $wanted, $until, $request): void {
            $now = CarbonImmutable::now();
            $before = BackwardPlans::current($found);
            FunnelGoal::query()->where('funnel_id', $found->id)->whereNull('removed_at')->update(['removed_at' => $now->utc()
                ->format('Y-m-d H:i:s.v')]);
            // What was reached since it was first written down stays reached when only its number or its day changes.
            FunnelGoal::query()->create(['funnel_id' => $found->id, 'what' => $what, 'wanted' => $wanted, 'until' => $until,
                'rates' => self::rates($request), 'since' => $before !== null && $before->what === $what ? $before->since : $now]);
        });

        return response()->json(['goal' => $this->goal($found)]);
    }

    public function forget(string $funnel): JsonResponse
    {
        FunnelGoal::query()->where('funnel_id', $this->funnel($funnel)->id)->whereNull('removed_at')
            ->update(['removed_at' => CarbonImmutable::now()->utc()->format('Y-m-d H:i:s.v')]);

        return response()->json(['goal' => null]);
    }

    /**
     * @param  array<string, float>  $changed
     * @return array<string, mixed>
     */
    private function answer(Funnel $funnel, Success $what, int $wanted, ?string $until, array $changed): array
    {
        $now = CarbonImmutable::now();
        $plan = DraftPlan::read($funnel);
        $steps = BackwardPlans::steps($funnel, $plan, $what, $now, $changed);
        $reached = (BackwardPlans::progress([$funnel], $now)[$funnel->id] ?? null)['reached'] ?? 0;
        $left = (new BackwardPlan($steps, $wanted))->without(min($wanted, $reached));
        $today = (new BackwardPlan(BackwardPlans::steps($funnel, $plan, $what, $now), $wanted))->without(min($wanted, $reached));
        $ends = $until === null ? null : (new CarbonImmutable($until, $this->business()->zone()))->endOfDay();
        $weeks = $ends === null ? null : BackwardPlan::weeks($now, $ends);
        $perWeek = fn (?array $visitors): ?array => $visitors === null || $weeks === null ? null
            : array_map(fn (?int $n): ?int => $n === null ? null : (int) ceil($n / $weeks), $visitors);

        return ['what' => $what->value, 'wanted' => $wanted, 'until' => $until, 'weeks' => $weeks, 'reached' => $reached,
            'days' => BackwardPlans::DAYS,
            'steps' => array_map(fn (PlanStep $s): array => ['key' => $s->key, 'label' => $s->label, 'rate' => $s->rate->toArray(),
                'changed' => $s->changed], $steps),
            'visitors' => $left->visitors(), 'perWeek' => $perWeek($left->visitors()), 'today' => $today->visitors(),
            'todayPerWeek' => $perWeek($today->visitors())];
    }

    /** @return array<string, mixed>|null */
    private function goal(Funnel $funnel): ?array
    {
        return BackwardPlans::progress([$funnel], CarbonImmutable::now())[$funnel->id] ?? null;
    }

    private static function until(Request $request, DateTimeZone $zone): string
    {
        return GoalProgress::lastDay(Input::text($request, 'until'), CarbonImmutable::now(), $zone);
    }

    /** @return array<string, float> between a thousandth and all */
    private static function rates(Request $request): array
    {
        $rates = [];
        foreach (['join', 'come', 'buy', 'open'] as $key) {
            $value = $request->input("rates.{$key}");
            if (is_numeric($value) && $value > 0 && $value <= 1) {
                $rates[$key] = max(0.001, round((float) $value, 4));
            }
        }

        return $rates;
    }
}
