<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

use Lantern\Core\Statistics\Dice;

/**
 * What the weeks to come bring, as ranges. The made-up visitors are played once, by the rates in the middle of what is believed of them. In
 * each of some hundred worlds the rates and the numbers of visitors are others, as far as they are uncertain: there each life counts as
 * much
 * more or less as its decisions are likelier there (importance sampling), and chance does the rest: the number of those who come is taken
 * as
 * Poisson, so that a sum over them varies by the sum of their squares. A range holds eight of ten worlds.
 */
final readonly class Forecast
{
    public const LIVES = 10_000;

    public const WEEKS = 8;

    private const WORLDS = 200;

    /** Of all worlds: below which, in the middle, and above which nothing more is in a range. */
    private const EDGES = [0.1, 0.5, 0.9];

    /**
     * @param  array<string, list<array{int, int, int}>>  $weeks  by what is measured: low, middle and high of each week
     * @param  array<string, array{int, int, int}>  $all  likewise of all weeks together
     * @param  array<string, list<array{int, int, int}>>  $days  likewise of each day
     */
    private function __construct(public array $weeks, public array $all, public array $days)
    {
    }

    /**
     * @param  list<PlayedLife>  $lives
     * @param  list<Arrivals>  $arrivals  by the way of coming
     */
    public static function of(array $lives, array $arrivals, Rates $rates, Dice $dice, int $weeks): self
    {
        $drawn = [];
        $alike = new LikeLives($lives, $weeks);
        for ($world = 0; $world < self::WORLDS; $world++) {
            foreach (self::world($alike, $arrivals, $rates, $dice, $weeks) as $what => $sums) {
                foreach ($sums as $key => [$expected, $variance]) {
                    $drawn[$what][$key][] = (int) round(max(0, $expected + sqrt($variance) * $dice->normal()));
                }
            }
        }
        $range = fn (Measured $m, string $key): array => self::range($drawn[$m->value][$key] ?? [0]);
        $of = fn (string $unit, int $count): array => array_combine(array_column(Measured::cases(), 'value'), array_map(
            fn (Measured $m): array => array_map(fn (int $n): array => $range($m, "{$unit}{$n}"), range(0, $count - 1)),
            Measured::cases()));

        return new self($of('week', $weeks), array_combine(array_column(Measured::cases(), 'value'),
            array_map(fn (Measured $m): array => $range($m, 'all'), Measured::cases())), $of('day', $weeks * 7));
    }

    /**
     * One world: by what is measured, and by day, week and all, what is expected and its variance.
     *
     * @param  list<Arrivals>  $arrivals
     * @return array<string, array<string, array{float, float}>>
     */
    private static function world(LikeLives $alike, array $arrivals, Rates $rates, Dice $dice, int $weeks): array
    {
        $come = array_map(fn (Arrivals $a): array => $a->draw($dice, $weeks), $arrivals);
        $odds = $weights = [];
        foreach ($alike->decided as $group => $decided) {
            $weight = 1.0;
            foreach ($decided as $key => [$yes, $no]) {
                $odds[$key] ??= self::odds($rates->of($key), $dice);
                $weight *= $odds[$key][0] ** $yes * $odds[$key][1] ** $no;
            }
            $weights[$group] = $weight;
        }
        $totals = [];
        foreach ($alike->days as [$kind, $day, $counts, $lives]) {
            $many = $day < 0 ? $arrivals[$kind]->ago(-$day) : $come[$kind][$day] ?? 0;
            $sum = 0.0;
            foreach ($many === 0 ? [] : $counts as $group => $count) {
                $sum += $count * $weights[$group];
            }
            foreach ($sum > 0 ? $lives : [] as [$group, $own]) {
                $share = $weights[$group] * $many / $sum;
                foreach ($own as [$what, $key, $much]) {
                    $known = $totals[$what][$key] ?? [0.0, 0.0];
                    $totals[$what][$key] = [$known[0] + $share * $much, $known[1] + $share * $much * $much];
                }
            }
        }

        return $totals;
    }

    /** @return array{float, float} how much likelier it is there that it is done, and that it is not */
    private static function odds(Belief $belief, Dice $dice): array
    {
        $rate = $belief->draw($dice);

        return [$rate / $belief->mean, (1 - $rate) / (1 - $belief->mean)];
    }

    /**
     * @param  list<int>  $values
     * @return array{int, int, int}
     */
    private static function range(array $values): array
    {
        sort($values);
        $at = fn (float $edge): int => $values[(int) min(count($values) - 1, floor($edge * count($values)))];

        return [$at(self::EDGES[0]), $at(self::EDGES[1]), $at(self::EDGES[2])];
    }
}
