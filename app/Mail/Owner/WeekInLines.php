<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Experiments\ExperimentResults;
use App\Models\Business;
use App\Models\Experiment;
use App\Models\Funnel;
use App\Results\BackwardPlans;
use App\Results\CountReader;
use App\Results\CountSums;
use App\Results\LeakFinder;
use App\Results\LeakWords;
use App\Results\MoneyWords;
use Carbon\CarbonImmutable;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;

/** The week that is over, in six lines for its owner: who came, who joined, what was sold, how goals stand, what leaks, what tests say. */
final readonly class WeekInLines
{
    private Period $week;

    /** @var list<Funnel> */
    private array $funnels;

    public function __construct(private Business $business, private CarbonImmutable $now)
    {
        $monday = $now->setTimezone($business->zone())->startOfWeek();
        $this->week = Period::between($monday->subDays(7)->format('Y-m-d'), $monday->subDay()->format('Y-m-d'));
        $this->funnels = array_values(Funnel::query()->with(['liveVersion', 'business'])->where('business_id', $business->id)
            ->whereNull('archived_at')->whereNotNull('live_version_id')->orderBy('name')->limit(100)->get()->all());
    }

    /** @return list<string> */
    public function lines(): array
    {
        $ids = array_map(fn (Funnel $f): string => $f->id, $this->funnels);
        $now = $this->whole($ids, $this->week);
        $before = $this->whole($ids, $this->week->before());

        return [self::counted($now->of(Measure::Visitors), 'visitor').' came'.self::against($now, $before, Measure::Visitors).'.',
            self::counted($now->of(Measure::Signups), 'person', 'people').' joined'.self::against($now, $before, Measure::Signups).'.',
            self::counted($now->of(Measure::Orders), 'sale').self::against($now, $before, Measure::Orders).': '
                .($now->net() === [] ? 'no money moved' : MoneyWords::all($now->net(), $this->business->locale)).'.',
            $this->goals(), $this->leak(), $this->tests()];
    }

    /** @param  list<string>  $ids */
    private function whole(array $ids, Period $period): CountSums
    {
        $whole = new CountSums;
        foreach (CountReader::byPage($ids, $period) as $byPage) {
            $whole->plus(CountReader::whole($byPage));
        }

        return $whole;
    }

    private function goals(): string
    {
        $said = [];
        foreach (BackwardPlans::progress($this->funnels, $this->now) as $id => $goal) {
            if (! $goal['over']) {
                $name = array_column(array_map(fn (Funnel $f): array => [$f->id, $f->name], $this->funnels), 1, 0)[$id] ?? '';
                $said[] = number_format($goal['reached']).' of '.number_format($goal['wanted']).' '.str_replace('signups', 'sign-ups',
                    $goal['what'])." in “{$name}”, "
                    .($goal['ahead'] ? 'as planned' : 'behind').', '.self::counted($goal['days'], 'day').' left';
            }
        }

        return $said === [] ? 'No goal is written down.' : 'Goals: '.implode('; ', $said).'.';
    }

    private function leak(): string
    {
        $worst = null;
        $of = null;
        foreach ($this->funnels as $funnel) {
            $plan = $funnel->liveVersion?->plan();
            // A month says more than a week does.
            $leak = $plan === null ? null : (new LeakFinder($funnel, $plan, Period::last(28, $this->now, $this->business->zone())))
                ->leaks()[0] ?? null;
            if ($leak !== null && ($worst === null || [$leak->money[1], $leak->signups[1]] > [$worst->money[1], $worst->signups[1]])) {
                [$worst, $of] = [$leak, $funnel];
            }
        }

        return $worst === null || $of === null ? 'No leak is to be seen.'
            : "The worst leak is in “{$of->name}”. ".(new LeakWords($of))->sentence($worst);
    }

    private function tests(): string
    {
        $said = [];
        foreach (Experiment::query()->with(['business', 'funnel'])->where('business_id', $this->business->id)->whereNull('ended_at')
            ->orderBy('started_at')->limit(3)->get() as $test) {
            $said[] = "Split test of “{$test->name}”: ".(new ExperimentResults($test, $this->now))->toArray()['sentence'];
        }

        return $said === [] ? 'No split test runs.' : implode(' ', $said);
    }

    private static function counted(int $n, string $one, ?string $many = null): string
    {
        return number_format($n).' '.($n === 1 ? $one : $many ?? "{$one}s");
    }

    private static function against(CountSums $now, CountSums $before, Measure $measure): string
    {
        [$n, $was] = [$now->of($measure), $before->of($measure)];

        return $was === 0 ? '' : ', '.match (true) {
            $n === $was => 'as many as',
            $n > $was => number_format($n - $was).' more than',
            default => number_format($was - $n).' fewer than',
        }.' the week before';
    }
}
