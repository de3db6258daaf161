<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/**
 * What a split test says: of each variant how likely it is the best and what choosing it would cost, and of the whole whether it can be
 * called. Chances describe; a winner is named by {@see Evidence} alone, which looking does not spoil.
 */
final readonly class Answer
{
    /** How far ahead it is worth looking, as a multiple of what was seen. */
    private const AHEAD = 60.0;

    /**
     * @param  list<Arm>  $arms
     * @param  list<float>  $best  of each, how likely it is the best
     * @param  list<float>  $loss  of each, what choosing it costs a visitor on average
     * @param  list<float>  $means  of each, what is expected of a visitor: a rate, or an amount
     * @param  list<array{float, float}>  $intervals
     * @param  int  $leader  the index of the one with the most expected; `second` of the one after it
     * @param  array{float, float}  $ahead  by how much the leader is ahead of the second, nineteen times out of twenty
     * @param  int|null  $needed  how many more visitors it takes until it can be called, if it goes on as it does; null where that is not
     *     in sight
     */
    private function __construct(
        public TestGoal $goal,
        public StoppingRule $rule,
        public array $arms,
        public Verdict $verdict,
        public array $best,
        public array $loss,
        public array $means,
        public array $intervals,
        public int $leader,
        public int $second,
        public array $ahead,
        public float $chanceOfCounts,
        public ?int $needed,
    ) {
    }

    /**
     * @param  non-empty-list<Arm>  $arms  the first is what was there before
     * @param  int  $days  whole days since it began
     * @param  list<list<float>>  $paid  of each, what every buyer paid first; for a test of revenue
     */
    public static function of(TestGoal $goal, StoppingRule $rule, array $arms, int $days, array $paid = []): self
    {
        $beliefs = $goal === TestGoal::Revenue ? new RevenueBeliefs($arms)
            : new RateBeliefs(array_map(fn (Arm $a): array => [$a->reached, $a->visitors], $arms));
        $means = $beliefs->means();
        $order = array_keys($means);
        usort($order, fn (int $a, int $b): int => $means[$b] <=> $means[$a] ?: $a <=> $b);
        [$leader, $second] = [$order[0], $order[1] ?? $order[0]];
        $loss = $beliefs->loss();
        $evidence = fn (float $times): float => self::evidence($goal, $rule, $arms, $leader, $paid, $times);
        $enough = log((count($arms) - 1) / StoppingRule::MISTAKEN);
        $chance = SampleRatio::chance($arms);
        $visitors = array_sum(array_map(fn (Arm $a): int => $a->visitors, $arms));
        $reached = array_sum(array_map(fn (Arm $a): int => $a->reached, $arms));
        $verdict = match (true) {
            $visitors === 0 || count($arms) < 2 => Verdict::Empty,
            $chance < SampleRatio::TOO_UNLIKELY => Verdict::Spoiled,
            $days < StoppingRule::LEAST_DAYS || $reached < StoppingRule::LEAST_REACHED => $days >= $rule->mostDays ? Verdict::Unknown
                : Verdict::TooEarly,
            $evidence(1.0) >= $enough => Verdict::Winner,
            $loss[$leader] < StoppingRule::NOT_WORTH_MINDING * $means[$leader] && self::allAreSame($loss, $means) => Verdict::Same,
            $days >= $rule->mostDays => Verdict::Unknown,
            default => Verdict::Open,
        };

        return new self($goal, $rule, $arms, $verdict, $beliefs->best(), $loss, $means,
            array_map($beliefs->interval(...), array_keys($arms)), $leader, $second,
            $leader === $second ? [0.0, 0.0] : $beliefs->difference($leader, $second), $chance,
            in_array($verdict, [Verdict::TooEarly, Verdict::Open, Verdict::Unknown], true) ? self::needed($visitors, $evidence, $enough)
                : null);
    }

    /** How much a test finds: the number of visitors after which eight of ten tests with such a difference have named their winner. */
    public static function visitorsToFind(float $rate, float $times, int $variants = 2): int
    {
        $better = min(0.99, $rate * $times);
        $share = 1 / $variants;
        $enough = log(($variants - 1) / StoppingRule::MISTAKEN);
        $evidence = fn (float $n): float => Evidence::ofCounts(1, $n * $share * $better, $n * $share * (1 - $better), 1,
            $n * $share * $rate,
            $n * $share * (1 - $rate), $rate);
        [$low, $high] = [10.0, 1e8];
        for ($i = 0; $i < 60; $i++) {
            $middle = sqrt($low * $high);
            $evidence($middle) < $enough ? $low = $middle : $high = $middle;
        }

        // At that number half have; simulation (AnswerTest) says how many more it takes for eight of ten.
        return (int) ceil($high * 1.45);
    }

    /**
     * How strongly the leader is ahead of the one that comes closest.
     *
     * @param  list<Arm>  $arms
     * @param  list<list<float>>  $paid
     * @param  float  $times  as if there had been so many times as many, of the same
     */
    private static function evidence(TestGoal $goal, StoppingRule $rule, array $arms, int $leader, array $paid, float $times): float
    {
        $least = INF;
        foreach ($arms as $i => $arm) {
            if ($i === $leader || $arm->weight === 0) {
                continue;
            }
            $best = $arms[$leader];
            $evidence = $goal === TestGoal::Revenue
                ? Evidence::ofMoney($best->weight, $paid[$leader] ?? [], $arm->weight, $paid[$i] ?? [], $rule->typical, $times)
                : Evidence::ofCounts($best->weight, $times * $best->reached, $times * $best->notReached(), $arm->weight,
                    $times * $arm->reached, $times * $arm->notReached(), $rule->expected);
            $least = min($least, $evidence);
        }

        return $least === INF ? 0.0 : $least;
    }

    /**
     * @param  list<float>  $loss
     * @param  list<float>  $means
     */
    private static function allAreSame(array $loss, array $means): bool
    {
        foreach ($loss as $i => $l) {
            if ($l >= 3 * StoppingRule::NOT_WORTH_MINDING * $means[$i]) {
                return false;
            }
        }

        return true;
    }

    /** @param  callable(float): float  $evidence */
    private static function needed(int $visitors, callable $evidence, float $enough): ?int
    {
        if ($visitors === 0 || $evidence(self::AHEAD) < $enough) {
            return null;
        }
        [$low, $high] = [1.0, self::AHEAD];
        for ($i = 0; $i < 30; $i++) {
            $middle = ($low + $high) / 2;
            $evidence($middle) < $enough ? $low = $middle : $high = $middle;
        }

        return (int) ceil(($high - 1) * $visitors);
    }
}
