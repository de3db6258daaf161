<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Statistics\Normal;

/**
 * Revenue per visitor, where most pay nothing: the rate of those who buy, as {@see RateBeliefs} has it, times what a buyer pays on
 * average. That average is distributed as Student's around the mean of the buyers so far, with two more buyers who paid what all
 * variants together say on average (and differ as those do, at least by a tenth), so that one buyer alone settles nothing. The product
 * is worked out on equally likely points of both, without chance: the same counts always say the same.
 */
final class RevenueBeliefs implements Beliefs
{
    private const RATES = 120;

    private const AMOUNTS = 40;

    private const PRIOR_BUYERS = 2.0;

    /** @var list<list<float>> of each, equally likely values in order */
    private array $values = [];

    /** @param  list<Arm>  $arms */
    public function __construct(array $arms)
    {
        $rates = new RateBeliefs(array_map(fn (Arm $a): array => [$a->reached, $a->visitors], $arms));
        $all = array_reduce($arms, fn (Purchases $sum, Arm $a): Purchases => $sum->plus($a->bought), new Purchases);
        $spread = max($all->variance(), ($all->mean() / 10) ** 2);
        foreach ($arms as $i => $arm) {
            $n = $arm->bought->buyers + self::PRIOR_BUYERS;
            $mean = ($arm->bought->sum + self::PRIOR_BUYERS * $all->mean()) / $n;
            $square = ($arm->bought->buyers * ($arm->bought->variance() + ($arm->bought->mean() - $mean) ** 2)
                + self::PRIOR_BUYERS * ($spread + ($all->mean() - $mean) ** 2)) / $n;
            $amounts = [];
            for ($k = 0; $k < self::AMOUNTS; $k++) {
                $amounts[] = max(0.0, $mean + Normal::student(($k + 0.5) / self::AMOUNTS, $n + 1) * sqrt($square / $n));
            }
            $values = [];
            foreach ($rates->equallyLikely($i, self::RATES) as $rate) {
                foreach ($amounts as $amount) {
                    $values[] = $rate * $amount;
                }
            }
            sort($values);
            $this->values[] = $values;
        }
    }

    public function means(): array
    {
        return array_map(fn (array $v): float => array_sum($v) / count($v), $this->values);
    }

    public function best(): array
    {
        $best = [];
        foreach ($this->values as $i => $values) {
            $at = array_fill(0, count($this->values), 0);
            $chance = 0.0;
            foreach ($values as $value) {
                $product = 1.0;
                foreach ($this->values as $j => $others) {
                    if ($j !== $i) {
                        $product *= $this->share($others, $value, $at[$j]);
                    }
                }
                $chance += $product;
            }
            $best[] = $chance / count($values);
        }
        $sum = array_sum($best);

        return array_map(fn (float $p): float => $sum > 0.0 ? $p / $sum : 1 / count($best), $best);
    }

    public function loss(): array
    {
        // The mean of the greatest: over all values in order, how much more of them is reached by the greatest.
        $all = array_merge(...$this->values);
        sort($all);
        $at = array_fill(0, count($this->values), 0);
        $most = $all[0];
        foreach ($all as $k => $value) {
            $below = 1.0;
            foreach ($this->values as $j => $values) {
                while ($at[$j] < count($values) && $values[$at[$j]] <= $value) {
                    $at[$j]++;
                }
                $below *= $at[$j] / count($values);
            }
            $most += isset($all[$k + 1]) ? (1 - $below) * ($all[$k + 1] - $value) : 0.0;
        }

        return array_map(fn (float $mean): float => max(0.0, $most - $mean), $this->means());
    }

    public function interval(int $of): array
    {
        $values = $this->values[$of];

        return [$values[(int) floor(0.025 * count($values))], $values[(int) floor(0.975 * count($values))]];
    }

    public function difference(int $first, int $second): array
    {
        [$one, $other] = [$this->values[$first], $this->values[$second]];
        $reach = max(end($one), end($other));
        $find = function (float $p) use ($one, $other, $reach): float {
            [$low, $high] = [-$reach, $reach];
            for ($i = 0; $i < 22; $i++) {
                $middle = ($low + $high) / 2;
                $at = 0;
                $below = 0;
                foreach ($other as $value) {
                    while ($at < count($one) && $one[$at] <= $value + $middle) {
                        $at++;
                    }
                    $below += $at;
                }
                $below / count($one) / count($other) < $p ? $low = $middle : $high = $middle;
            }

            return ($low + $high) / 2;
        };

        return [$find(0.025), $find(0.975)];
    }

    /**
     * The share of a distribution below a value, what is equal counted half.
     *
     * @param  list<float>  $values  in order
     * @param  int  $at  how many are below the value asked for last, which was no greater
     */
    private function share(array $values, float $value, int &$at): float
    {
        while ($at < count($values) && $values[$at] < $value) {
            $at++;
        }
        $equal = $at;
        while ($equal < count($values) && $values[$equal] === $value) {
            $equal++;
        }

        return ($at + $equal) / 2 / count($values);
    }
}
