<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use DateTimeImmutable;
use Lantern\Core\Plan\Success;

/**
 * From a goal backward to the visitors it needs, by the rates of today: so many of a hundred visitors join, so many of those come, so
 * many of those buy. What is known of the whole way says how wide the range is; changing one rate changes what is needed in proportion.
 */
final readonly class BackwardPlan
{
    /**
     * @param  list<PlanStep>  $steps  from the first visit to the goal
     * @param  int  $wanted  how many are to reach it
     */
    public function __construct(public array $steps, public int $wanted)
    {
    }

    /**
     * The steps from the first visit to a goal, as people go there: by a session, by their address, or by the checkout.
     *
     * @param  array{visitors: int, signups: int, orders: int, opened: int}  $counts  `opened`: who opened a checkout
     * @param  int|null  $came  who came to a session; null where there is none
     * @param  array<string, float>  $changed  rates as they might be, by step
     * @return list<PlanStep>
     */
    public static function chain(Success $what, array $counts, ?int $came, array $changed = []): array
    {
        ['visitors' => $visitors, 'signups' => $signups, 'orders' => $orders, 'opened' => $opened] = $counts;
        $register = ['join', 'of visitors register', $signups, $visitors];
        $join = ['join', 'of visitors join', $signups, $visitors];
        $steps = match (true) {
            $what === Success::Signups => [$join],
            $what === Success::Registrations => [$register],
            $came !== null && $signups > 0 => [$register, ['come', 'of those who registered come', min($signups, $came), $signups],
                ['buy', 'of those who came buy', $orders, $came]],
            $signups > $orders => [$join, ['buy', 'of those who joined buy', $orders, $signups]],
            $opened > 0 => [['open', 'of visitors open the checkout', $opened, $visitors],
                ['buy', 'of those who opened it buy', $orders, $opened]],
            default => [['buy', 'of visitors buy', $orders, $visitors]],
        };

        return array_map(fn (array $s): PlanStep => new PlanStep($s[0], $s[1], Rate::of(min($s[2], $s[3]), $s[3]), $changed[$s[0]] ?? null),
            $steps);
    }

    /** The share of visitors who reach the goal, by the rates as they are changed. Nothing where one is not known. */
    public function rate(): ?float
    {
        $rate = 1.0;
        foreach ($this->steps as $step) {
            $of = $step->changed ?? $step->rate->rate;
            if ($of === null) {
                return null;
            }
            $rate *= $of;
        }

        return $this->steps === [] ? null : $rate;
    }

    /**
     * How many visitors it takes: at least, about, at most. The range is that of the whole way, {@see Rate} of those who reached the
     * goal among all who came, moved along with what is changed. Nothing where nobody has reached it yet.
     *
     * @return array{int, int, int|null}|null the last is null where there may be no end to it
     */
    public function visitors(): ?array
    {
        $rate = $this->rate();
        if ($rate === null || $rate <= 0.0 || $this->wanted < 1) {
            return null;
        }
        $first = $this->steps[0]->rate;
        $last = $this->steps[count($this->steps) - 1]->rate;
        $whole = Rate::of(min($first->trials, $last->successes), $first->trials);
        $needed = $this->wanted / $rate;
        if ($whole->rate === null || $whole->rate <= 0.0 || $whole->low === null || $whole->high === null) {
            return [(int) ceil($needed), (int) ceil($needed), null];
        }

        return [(int) ceil($needed * $whole->rate / $whole->high), (int) ceil($needed),
            $whole->low > 0.0 ? (int) ceil($needed * $whole->rate / $whole->low) : null];
    }

    /** Whole weeks and parts of them until a moment; never less than a day. */
    public static function weeks(DateTimeImmutable $now, DateTimeImmutable $until): float
    {
        return max(1 / 7, ($until->getTimestamp() - $now->getTimestamp()) / (7 * 86_400));
    }

    /** What is left to do, once some of it is done. */
    public function without(int $reached): self
    {
        return new self($this->steps, max(0, $this->wanted - $reached));
    }
}
