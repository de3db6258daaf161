<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Statistics\Gamma;

/**
 * Rates. Before anything was seen every rate is as likely as any other (a uniform prior), so after s of n it is distributed as
 * Beta(1 + s, 1 + n - s). Chances and losses are one-dimensional integrals of these, worked out on points that lie close wherever one
 * of them has its weight, by Simpson's rule:
 *
 *     P(i is best) = ∫ f_i(x) Π_{j≠i} F_j(x) dx,   E(max) = ∫ (1 - Π_j F_j(x)) dx,   loss of i = E(max) - E(i)
 */
final class RateBeliefs implements Beliefs
{
    private const POINTS = 120;

    /** How far from its mean a distribution is followed, in standard deviations. */
    private const REACH = 9.0;

    /** @var list<float> */
    private array $x;

    /** @var list<list<float>> density of each at the points, and halfway to the next */
    private array $f = [];

    /** @var list<list<float>> */
    private array $half = [];

    /** @var list<list<float>> share below each point */
    private array $F = [];

    /** @param  list<array{int, int}>  $counts  of each: how many reached the goal, of how many */
    public function __construct(private readonly array $counts)
    {
        $this->x = $this->points();
        foreach ($counts as [$s, $n]) {
            $this->add(1.0 + $s, 1.0 + $n - $s);
        }
    }

    public function means(): array
    {
        return array_map(fn (array $c): float => (1 + $c[0]) / (2 + $c[1]), $this->counts);
    }

    public function best(): array
    {
        $best = [];
        foreach (array_keys($this->counts) as $i) {
            $best[] = $this->integrate(fn (int $k): float => $this->f[$i][$k] * $this->below($k, $i),
                fn (int $k): float => $this->half[$i][$k] * $this->belowHalf($k, $i));
        }
        $sum = array_sum($best);

        return array_map(fn (float $p): float => $sum > 0.0 ? $p / $sum : 1 / count($best), $best);
    }

    public function loss(): array
    {
        $most = $this->integrate(fn (int $k): float => 1.0 - $this->below($k), fn (int $k): float => 1.0 - $this->belowHalf($k));

        return array_map(fn (float $mean): float => max(0.0, $most - $mean), $this->means());
    }

    public function interval(int $of): array
    {
        return [$this->quantile($of, 0.025), $this->quantile($of, 0.975)];
    }

    public function difference(int $first, int $second): array
    {
        // P(first - second <= d): over the second, the share of the first below it and d.
        $below = fn (float $d): float => $this->integrate(
            fn (int $k): float => $this->f[$second][$k] * $this->share($first, $this->x[$k] + $d),
            fn (int $k): float => $this->half[$second][$k] * $this->share($first, ($this->x[$k] + $this->x[$k + 1]) / 2 + $d));
        $find = function (float $p) use ($below): float {
            [$low, $high] = [-1.0, 1.0];
            for ($i = 0; $i < 26; $i++) {
                $middle = ($low + $high) / 2;
                $below($middle) < $p ? $low = $middle : $high = $middle;
            }

            return ($low + $high) / 2;
        };

        return [$find(0.025), $find(0.975)];
    }

    /** @return list<float> so many values of one, each as likely as the next, in order */
    public function equallyLikely(int $of, int $count): array
    {
        return array_map(fn (int $k): float => $this->quantile($of, ($k + 0.5) / $count), range(0, $count - 1));
    }

    /** @return list<float> */
    private function points(): array
    {
        $points = [0.0, 1.0];
        foreach ($this->counts as [$s, $n]) {
            [$a, $b] = [1.0 + $s, 1.0 + $n - $s];
            $mean = $a / ($a + $b);
            $reach = self::REACH * sqrt($mean * (1 - $mean) / ($a + $b + 1));
            [$low, $high] = [max(0.0, $mean - $reach), min(1.0, $mean + $reach)];
            for ($k = 0; $k <= self::POINTS; $k++) {
                $points[] = $low + ($high - $low) * $k / self::POINTS;
            }
        }
        sort($points);

        return array_values(array_filter($points, fn (float $p, int $k): bool => $k === 0 || $p - $points[$k - 1] > 1e-12,
            ARRAY_FILTER_USE_BOTH));
    }

    private function add(float $a, float $b): void
    {
        $log = Gamma::logBeta($a, $b);
        $density = fn (float $x): float => $x <= 0.0 ? ($a === 1.0 ? exp(-$log) : 0.0) : ($x >= 1.0 ? ($b === 1.0 ? exp(-$log) : 0.0)
            : exp(($a - 1) * log($x) + ($b - 1) * log(1 - $x) - $log));
        $f = array_map($density, $this->x);
        $half = $F = [];
        $sum = 0.0;
        foreach ($this->x as $k => $x) {
            $F[] = $sum;
            if (isset($this->x[$k + 1])) {
                $half[] = $density(($x + $this->x[$k + 1]) / 2);
                $sum += ($this->x[$k + 1] - $x) / 6 * ($f[$k] + 4 * $half[$k] + $f[$k + 1]);
            }
        }
        // What Simpson's rule is off by is taken out at once.
        $this->f[] = array_map(fn (float $v): float => $v / $sum, $f);
        $this->half[] = array_map(fn (float $v): float => $v / $sum, $half);
        $this->F[] = array_map(fn (float $v): float => $v / $sum, $F);
    }

    private function below(int $k, ?int $without = null): float
    {
        $product = 1.0;
        foreach ($this->F as $j => $F) {
            $product *= $j === $without ? 1.0 : $F[$k];
        }

        return $product;
    }

    private function belowHalf(int $k, ?int $without = null): float
    {
        $product = 1.0;
        $h = $this->x[$k + 1] - $this->x[$k];
        foreach ($this->F as $j => $F) {
            $product *= $j === $without ? 1.0 : ($F[$k] + $F[$k + 1]) / 2 + $h / 8 * ($this->f[$j][$k] - $this->f[$j][$k + 1]);
        }

        return $product;
    }

    /**
     * @param  callable(int): float  $at
     * @param  callable(int): float  $halfway
     */
    private function integrate(callable $at, callable $halfway): float
    {
        $sum = 0.0;
        $here = $at(0);
        for ($k = 0, $last = count($this->x) - 1; $k < $last; $k++) {
            $next = $at($k + 1);
            $sum += ($this->x[$k + 1] - $this->x[$k]) / 6 * ($here + 4 * $halfway($k) + $next);
            $here = $next;
        }

        return $sum;
    }

    /** The share of one below any value, by a cubic between the points. */
    private function share(int $of, float $x): float
    {
        if ($x <= 0.0 || $x >= 1.0) {
            return $x <= 0.0 ? 0.0 : 1.0;
        }
        $k = $this->between($x);
        [$x0, $x1] = [$this->x[$k], $this->x[$k + 1]];
        $h = $x1 - $x0;
        $t = ($x - $x0) / $h;
        [$F0, $F1, $f0, $f1] = [$this->F[$of][$k], $this->F[$of][$k + 1], $this->f[$of][$k] * $h, $this->f[$of][$k + 1] * $h];
        $value = $F0 + $t * ($f0 + $t * (3 * ($F1 - $F0) - 2 * $f0 - $f1 + $t * (2 * ($F0 - $F1) + $f0 + $f1)));

        return min($F1, max($F0, $value));
    }

    private function quantile(int $of, float $p): float
    {
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < 50; $i++) {
            $middle = ($low + $high) / 2;
            $this->share($of, $middle) < $p ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2;
    }

    /** Between which points a value lies: the first of the two. */
    private function between(float $x): int
    {
        [$low, $high] = [0, count($this->x) - 1];
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            $this->x[$middle] <= $x ? $low = $middle : $high = $middle;
        }

        return $low;
    }
}
