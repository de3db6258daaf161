<?php

declare(strict_types=1);

namespace Tests\Core\Experiments;

use Lantern\Core\Experiments\Arm;
use Lantern\Core\Experiments\Purchases;
use Lantern\Core\Experiments\RateBeliefs;
use Lantern\Core\Experiments\RevenueBeliefs;
use Lantern\Core\Statistics\Gamma;
use Lantern\Core\Statistics\Normal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Chances, losses and intervals beside closed forms, tables and simulation. */
final class BeliefsTest extends TestCase
{
    /** @return iterable<string, array{float, float, float}> from printed tables */
    public static function chiSquares(): iterable
    {
        yield 'one degree, one in twenty' => [1, 3.841458820694124, 0.05];
        yield 'one degree, one in a thousand' => [1, 10.827566170662733, 0.001];
        yield 'two degrees' => [2, 5.991464547107979, 0.05];
        yield 'three degrees' => [3, 7.814727903251179, 0.05];
        yield 'four degrees' => [4, 13.276704135987622, 0.01];
        yield 'nothing' => [3, 0.0, 1.0];
        yield 'very much' => [1, 400.0, 0.0];
    }

    #[DataProvider('chiSquares')]
    public function test_the_tail_of_chi_square(float $degrees, float $square, float $chance): void
    {
        self::assertEqualsWithDelta($chance, Gamma::upper($degrees / 2, $square / 2), 1e-12);
    }

    public function test_the_gamma_function(): void
    {
        foreach ([[0.5, 0.5723649429247001], [1.0, 0.0], [5.0, log(24)], [100.0, 359.1342053695754], [1e6, 12815504.569147614]] as [$x,
            $log]) {
            self::assertEqualsWithDelta($log, Gamma::log($x), 1e-11 * max(1, $log), (string) $x);
        }
    }

    public function test_quantiles(): void
    {
        foreach ([[0.5, 0.0], [0.975, 1.959963984540054], [0.001, -3.090232306167813], [0.9999, 3.719016485455709]] as [$p, $x]) {
            self::assertEqualsWithDelta($x, Normal::quantile($p), 1e-9);
        }
        foreach ([[3, 3.182446], [5, 2.570582], [10, 2.228139], [30, 2.042272]] as [$degrees, $x]) {
            self::assertEqualsWithDelta($x, Normal::student(0.975, $degrees), 0.005);
        }
    }

    /** @return iterable<string, array{array{int, int}, array{int, int}}> */
    public static function pairs(): iterable
    {
        yield 'few' => [[3, 10], [5, 11]];
        yield 'nobody' => [[0, 0], [0, 0]];
        yield 'one visitor' => [[0, 0], [1, 1]];
        yield 'all and none' => [[20, 20], [0, 20]];
        yield 'a hundred' => [[30, 100], [45, 110]];
        yield 'rare' => [[2, 1000], [9, 1100]];
        yield 'thousands' => [[3000, 10_000], [3050, 10_000]];
    }

    /**
     * P(second > first) for whole counts is a finite sum: Σ_{i<α₂} B(α₁+i, β₁+β₂) / ((β₂+i) B(1+i, β₂) B(α₁, β₁)).
     *
     * @param  array{int, int}  $one
     * @param  array{int, int}  $other
     */
    #[DataProvider('pairs')]
    public function test_which_of_two_is_better_by_the_closed_form(array $one, array $other): void
    {
        [$a1, $b1, $a2, $b2] = [1 + $one[0], 1 + $one[1] - $one[0], 1 + $other[0], 1 + $other[1] - $other[0]];
        $sum = 0.0;
        for ($i = 0; $i < $a2; $i++) {
            $sum += exp(Gamma::logBeta($a1 + $i, $b1 + $b2) - log($b2 + $i) - Gamma::logBeta(1 + $i, $b2) - Gamma::logBeta($a1, $b1));
        }
        $beliefs = new RateBeliefs([$one, $other]);
        self::assertEqualsWithDelta($sum, $beliefs->best()[1], 2e-6);
        self::assertEqualsWithDelta(1.0, array_sum($beliefs->best()), 1e-12);
    }

    public function test_a_million_visitors_and_far_apart(): void
    {
        $beliefs = new RateBeliefs([[50_000, 1_000_000], [600_000, 1_000_000], [50_600, 1_000_000]]);
        self::assertEqualsWithDelta([0.0, 1.0, 0.0], $beliefs->best(), 1e-9);
        [$low, $high] = $beliefs->difference(2, 0);
        // By the normal distribution, which it is at such counts.
        $spread = 1.959964 * sqrt(0.05 * 0.95 / 1e6 + 0.0506 * 0.9494 / 1e6);
        self::assertEqualsWithDelta([0.0006 - $spread, 0.0006 + $spread], [$low, $high], 2e-6);
    }

    /** @return iterable<string, array{list<array{int, int}>}> */
    public static function many(): iterable
    {
        yield 'two' => [[[12, 90], [20, 95]]];
        yield 'three' => [[[30, 100], [36, 100], [31, 80]]];
        yield 'five, one of them tiny' => [[[30, 100], [33, 101], [29, 99], [1, 2], [40, 100]]];
        yield 'rare' => [[[1, 800], [4, 790], [2, 810]]];
    }

    /** @param  list<array{int, int}>  $counts */
    #[DataProvider('many')]
    public function test_beside_draws_from_the_same_distributions(array $counts): void
    {
        mt_srand(11);
        $draws = 40_000;
        $best = $loss = array_fill(0, count($counts), 0.0);
        $differences = [];
        for ($i = 0; $i < $draws; $i++) {
            $rates = array_map(function (array $c): float {
                [$x, $y] = [self::gamma(1 + $c[0]), self::gamma(1 + $c[1] - $c[0])];

                return $x / ($x + $y);
            }, $counts);
            $most = max($rates);
            foreach ($rates as $k => $rate) {
                $best[$k] += $rate === $most ? 1 / $draws : 0;
                $loss[$k] += ($most - $rate) / $draws;
            }
            $differences[] = $rates[1] - $rates[0];
        }
        sort($differences);
        $beliefs = new RateBeliefs($counts);
        self::assertEqualsWithDelta($best, $beliefs->best(), 0.01);
        self::assertEqualsWithDelta($loss, $beliefs->loss(), 0.003);
        self::assertEqualsWithDelta([$differences[(int) (0.025 * $draws)], $differences[(int) (0.975 * $draws)]],
            $beliefs->difference(1, 0), 0.006);
    }

    /** Marsaglia and Tsang (2000), for whole shapes from one on. */
    private static function gamma(int $shape): float
    {
        $d = $shape - 1 / 3;
        $c = 1 / sqrt(9 * $d);
        do {
            do {
                $x = sqrt(-2 * log(max(1e-300, self::chance()))) * cos(2 * M_PI * self::chance());
                $v = (1 + $c * $x) ** 3;
            } while ($v <= 0);
            $u = max(1e-300, self::chance());
        } while (log($u) >= 0.5 * $x * $x + $d - $d * $v + $d * log($v));

        return $d * $v;
    }

    public function test_revenue_where_all_pay_the_same_is_the_rate_times_the_price(): void
    {
        $arm = fn (int $n, int $visitors): Arm => new Arm('a', 1, $visitors, $n, null, Purchases::of(array_fill(0, $n, 290.0)));
        $money = new RevenueBeliefs([$arm(200, 1000), $arm(245, 1000)]);
        $rates = new RateBeliefs([[200, 1000], [245, 1000]]);
        self::assertEqualsWithDelta($rates->best(), $money->best(), 0.01);
        self::assertEqualsWithDelta(array_map(fn (float $m): float => $m * 290, $rates->means()), $money->means(), 0.1);
        self::assertEqualsWithDelta(array_map(fn (float $d): float => $d * 290, $rates->difference(1, 0)), $money->difference(1, 0), 0.6);
        self::assertEqualsWithDelta(array_map(fn (float $l): float => $l * 290, $rates->loss()), $money->loss(), 0.1);
    }

    public function test_revenue_without_a_buyer_and_with_one(): void
    {
        $none = new RevenueBeliefs([new Arm('a', 1, 100, 0), new Arm('b', 1, 100, 0)]);
        self::assertSame([[0.5, 0.5], [0.0, 0.0]], [$none->best(), $none->loss()]);
        $one = new RevenueBeliefs([new Arm('a', 1, 100, 0), new Arm('b', 1, 100, 1, null, Purchases::of([290.0]))]);
        self::assertGreaterThan(0.6, $one->best()[1]);
        self::assertLessThan(0.9, $one->best()[1], 'one buyer settles nothing');
    }

    public function test_fewer_buyers_who_pay_more_can_be_better(): void
    {
        $money = new RevenueBeliefs([new Arm('a', 1, 1000, 60, null, Purchases::of(array_fill(0, 60, 60.0))),
            new Arm('b', 1, 1000, 30, null, Purchases::of(array_fill(0, 30, 290.0)))]);
        self::assertGreaterThan(0.99, $money->best()[1]);
    }

    /** Evenly between nothing and one; the same for the same seed. */
    private static function chance(): float
    {
        return mt_rand() / mt_getrandmax();
    }
}
