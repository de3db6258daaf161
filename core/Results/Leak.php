<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/**
 * What one step loses: its rate beside a reference, and what a month would bring more if it came up to that and all else stayed as it
 * is. How sure that is follows from how sure the rate is: where the reference lies within what the rate may truly be, there may be no
 * leak at all.
 */
final readonly class Leak
{
    /** Fewer say nothing of a step, and fewer elsewhere are no reference. */
    public const ENOUGH = 30;

    public const ENOUGH_ELSEWHERE = 100;

    private const MONTH = 30;

    /**
     * @param  string  $from  whose reference it is: usual, past or other
     * @param  array{float, float, float}  $people  how many more would do it in a month: at least, about, at most
     * @param  array{float, float, float}  $signups  sign-ups that makes
     * @param  array{float, float, float}  $money  in smallest units
     */
    private function __construct(
        public Step $step,
        public Rate $rate,
        public ?Usual $usual,
        public float $reference,
        public string $from,
        public array $people,
        public array $signups,
        public array $money,
    ) {
    }

    /**
     * The leaks of a funnel, the worst first: by money where there is any, and by sign-ups otherwise.
     *
     * @param  list<Step>  $steps
     * @param  int  $days  over how many they were counted
     * @return list<self>
     */
    public static function all(array $steps, int $days): array
    {
        $leaks = [];
        foreach ($steps as $step) {
            $leak = self::of($step, $days);
            if ($leak !== null) {
                $leaks[] = $leak;
            }
        }
        usort($leaks, fn (self $a, self $b): int => [$b->money[1], $b->signups[1], $b->people[1]]
            <=> [$a->money[1], $a->signups[1], $a->people[1]]);

        return $leaks;
    }

    /** Nothing where too few came, nothing is known to hold it against, or it goes as well as that. */
    public static function of(Step $step, int $days): ?self
    {
        $rate = $step->rate();
        if ($step->could < self::ENOUGH || $rate->rate === null || $days < 1) {
            return null;
        }
        $usual = Usual::of($step->kind);
        [$reference, $from] = self::reference($step, $usual);
        if ($reference === null || $rate->rate >= $reference) {
            return null;
        }
        $month = $step->could * self::MONTH / $days;
        $people = array_map(fn (?float $r): float => max(0.0, $month * ($reference - (float) $r)), [$rate->high, $rate->rate, $rate->low]);
        $times = fn (float $each): array => [$people[0] * $each, $people[1] * $each, $people[2] * $each];

        return new self($step, $rate, $usual, $reference, $from, [$people[0], $people[1], $people[2]], $times($step->signups),
            $times($step->money));
    }

    /** May there be none? */
    public function isUnsure(): bool
    {
        return $this->people[0] <= 0.0;
    }

    /**
     * The most that is known to be possible: what is usual, or what the owner has reached.
     *
     * @return array{float|null, string}
     */
    private static function reference(Step $step, ?Usual $usual): array
    {
        $known = ['usual' => $usual?->middle()];
        foreach (['past' => $step->past, 'other' => $step->other] as $from => $rate) {
            // A few lucky visitors are no reference: what was reached for sure is.
            $known[$from] = $rate !== null && $rate->trials >= self::ENOUGH_ELSEWHERE ? $rate->rate : null;
        }
        $known = array_filter($known, fn (?float $r): bool => $r !== null);
        if ($known === []) {
            return [null, ''];
        }

        return [max($known), (string) array_search(max($known), $known, true)];
    }
}
