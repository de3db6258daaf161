<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use App\Models\FunnelGoal;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Success;
use Lantern\Core\Results\BackwardPlan;
use Lantern\Core\Results\GoalProgress;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\PlanStep;

/** The rates of a funnel on the way to a goal, and how far a goal that was written down has come. */
final class BackwardPlans
{
    /** Rates are read over so many days: enough to be known, and not so many that they are of long ago. */
    public const DAYS = 90;

    /**
     * @param  array<string, float>  $changed  rates as they might be, by step
     * @return list<PlanStep>
     */
    public static function steps(Funnel $funnel, Plan $plan, Success $what, CarbonImmutable $now, array $changed = []): array
    {
        $byPage = CountReader::byPage([$funnel->id], Period::last(self::DAYS, $now, $funnel->business->zone()))[$funnel->id] ?? [];
        $whole = CountReader::whole($byPage);
        $opened = 0;
        foreach ($plan->pages as $page) {
            $opened += $page->role === PageRole::Checkout ? ($byPage[$page->id] ?? new CountSums)->of(Measure::Visitors) : 0;
        }
        $counts = ['visitors' => $whole->of(Measure::Visitors), 'signups' => $whole->of(Measure::Signups),
            'orders' => $whole->of(Measure::Orders), 'opened' => $opened];

        return BackwardPlan::chain($what, $counts, $plan->webinars === [] ? null : self::came($funnel, $now), $changed);
    }

    /** Who came to a session, of those whose session was within the days. */
    private static function came(Funnel $funnel, CarbonImmutable $now): int
    {
        $since = Period::last(self::DAYS, $now, $funnel->business->zone())->begins($funnel->business->zone());

        return DB::table('registrations')->where('funnel_id', $funnel->id)->where('owner', false)->whereNotNull('came_at')
            ->where('registered_at', '>=', $since->format('Y-m-d H:i:s.v'))->count();
    }

    public static function current(Funnel $funnel): ?FunnelGoal
    {
        return FunnelGoal::query()->where('funnel_id', $funnel->id)->whereNull('removed_at')->orderByDesc('since')->orderByDesc('id')
            ->first();
    }

    /**
     * How far the goals of some funnels have come, in as many queries for many as for one.
     *
     * @param  list<Funnel>  $funnels
     * @return array<string, array{what: string, wanted: int, reached: int, until: string, days: int, ahead: bool, over: bool}> by funnel;
     *     `ahead`: has as much of it come as of its time has gone?
     */
    public static function progress(array $funnels, CarbonImmutable $now): array
    {
        $byId = array_column(array_map(fn (Funnel $f): array => [$f->id, $f], $funnels), 1, 0);
        $progress = [];
        foreach (FunnelGoal::query()->with('funnel.business')->whereIn('funnel_id',
            array_keys($byId))->whereNull('removed_at')->orderBy('since')->orderBy('id')
            ->get() as $goal) {
            $zone = $goal->funnel->business->zone();
            $ends = (new CarbonImmutable($goal->until, $zone))->endOfDay();
            $stands = GoalProgress::of($goal->wanted, self::reached($goal, GoalProgress::counts($ends, $now)), $goal->since, $ends, $now);
            $progress[$goal->funnel_id] = ['what' => $goal->what->value, 'wanted' => $stands->wanted, 'reached' => $stands->reached,
                'until' => $goal->until, 'days' => $stands->days, 'ahead' => $stands->ahead, 'over' => $stands->over];
        }

        return $progress;
    }

    private static function reached(FunnelGoal $goal, DateTimeImmutable $until): int
    {
        $within = [Instant::sql($goal->since), Instant::sql($until)];

        return match ($goal->what) {
            Success::Sales => DB::table('orders')->where('funnel_id', $goal->funnel_id)->where('owner', false)
                ->whereBetween('bought_at', $within)->count(),
            Success::Registrations => DB::table('registrations')->where('funnel_id', $goal->funnel_id)->where('owner', false)
                ->whereBetween('registered_at', $within)->count(),
            Success::Signups => DB::table('events')->where('funnel_id', $goal->funnel_id)->where('type', 'joined')->where('owner', false)
                ->whereBetween('at', $within)->distinct()->count('person_id'),
        };
    }
}
