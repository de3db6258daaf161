<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Models\Funnel;
use App\Models\Version;
use App\Rehearsal\Stages;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forecast\Arrivals;
use Lantern\Core\Forecast\Forecast;
use Lantern\Core\Forecast\MadeUpLife;
use Lantern\Core\Forecast\PlayedLife;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Statistics\Dice;

/** Makes the forecast of a funnel, and the one that would have been made four weeks ago, beside what came. */
final readonly class Forecasting
{
    /** Days for which people who came before the forecast still count in it. */
    private const CARRIED = 28;

    private const LOOKED_BACK = 4;

    public function make(Funnel $funnel, int $lives = Forecast::LIVES): void
    {
        $version = $funnel->liveVersion;
        $now = CarbonImmutable::now();
        $today = $now->setTimezone($funnel->business->zone())->startOfDay();
        $result = $version === null ? null : $this->result($funnel, $version->plan(), $today, $lives);
        DB::table('forecasts')->where('funnel_id', $funnel->id)->update(['asked_at' => null, 'failed' => false,
            'made_at' => Instant::sql($now), 'result' => $result === null ? null : json_encode($result, JSON_THROW_ON_ERROR)]);
    }

    public function failed(string $funnel): void
    {
        DB::table('forecasts')->where('funnel_id', $funnel)->update(['asked_at' => null, 'failed' => true]);
    }

    /** @return array<string, mixed> */
    private function result(Funnel $funnel, Plan $plan, DateTimeImmutable $today, int $lives): array
    {
        [$forecast, $visits] = $this->of($funnel, $plan, $today, Forecast::WEEKS, $lives);
        $then = $today->modify('-'.self::LOOKED_BACK.' weeks');
        $before = Version::query()->where('funnel_id', $funnel->id)->where('published_at', '<',
            Instant::sql(CarbonImmutable::instance($then)))
            ->orderByDesc('number')->first();
        $past = null;
        if ($before !== null) {
            [$was, $visitsThen] = $this->of($funnel, $before->plan(), $then, self::LOOKED_BACK, intdiv($lives, 4));
            $past = $visitsThen === 0 ? null : ['from' => $then->format('Y-m-d'), 'to' => $today->modify('-1 day')->format('Y-m-d'),
                'forecast' => $was->all, 'came' => ForecastFacts::happened($funnel, $then, self::LOOKED_BACK * 7)];
        }

        return ['from' => $today->format('Y-m-d'), 'weeks' => $forecast->weeks, 'days' => $forecast->days, 'all' => $forecast->all,
            'lives' => $lives, 'arrived' => $visits, 'currency' => $funnel->sellsIn(), 'past' => $past];
    }

    /** @return array{Forecast, int} and how many came in the weeks before, from which it is drawn */
    private function of(Funnel $funnel, Plan $plan, DateTimeImmutable $begins, int $weeks, int $lives): array
    {
        $facts = new ForecastFacts($funnel, $plan, $begins);
        $tagged = $facts->tagged();
        $arrivals = [$facts->visits(), ...array_values($tagged)];
        $rates = $facts->rates();
        // The same day gives the same forecast.
        $dice = new Dice(crc32($funnel->id.$begins->format('Ymd')));
        $all = array_sum(array_map(fn (Arrivals $a): int => $a->total(), $arrivals));
        $played = $all === 0 ? [] : self::play(new MadeUpLife(new Rehearsal(Stages::of($funnel, $plan)), $rates, $dice, $begins,
            $begins->modify("+{$weeks} weeks")), $arrivals, ['', ...array_map(strval(...), array_keys($tagged))], $all, $lives, $weeks,
            $dice,
            $begins, self::zones($funnel));

        return [Forecast::of($played, $arrivals, $rates, $dice, $weeks), $all];
    }

    /**
     * @param  list<Arrivals>  $arrivals
     * @param  list<string>  $tags
     * @param  list<string>  $zones
     * @return list<PlayedLife> as many of each way of coming as its share is, spread evenly over the days
     */
    private static function play(MadeUpLife $made, array $arrivals, array $tags, int $all, int $lives, int $weeks, Dice $dice,
        DateTimeImmutable $begins, array $zones): array
    {
        $played = [];
        $days = self::CARRIED + $weeks * 7;
        foreach ($arrivals as $kind => $of) {
            $many = $of->total() === 0 ? 0 : max($days, (int) round($lives * $of->total() / $all));
            for ($i = 0; $i < $many; $i++) {
                $day = $i % $days - self::CARRIED;
                $start = $begins->modify(($day < 0 ? '' : '+')."{$day} days")->modify('+'.(480 + $dice->below(840)).' minutes');
                $played[] = $made->play(new Visitor(zone: $zones[$dice->below(count($zones))]), $start, $tags[$kind], $day, $kind);
            }
        }

        return $played;
    }

    /** @return non-empty-list<string> zones of people of the business, each as often as it is there */
    private static function zones(Funnel $funnel): array
    {
        $zones = array_values(array_map(strval(...), DB::table('people')->where('business_id', $funnel->business_id)
            ->whereNotNull('timezone')->orderByDesc('joined_at')->limit(200)->pluck('timezone')->all()));

        return $zones === [] ? [$funnel->business->timezone] : $zones;
    }
}
