<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

use Lantern\Core\Statistics\Normal;

/**
 * Which actions came before a first purchase more often than by chance.
 *
 * Each buyer is compared, on the day they bought, with everybody who had joined for as many days by some day and had not bought: had they
 * done it on an earlier day, and how many of those others had? So nobody counts as warm because they had more time to do things, and
 * nothing counts that was done on the day of the purchase itself. The comparisons of all days are added up as in the log-rank test
 * (Mantel 1966; Cox 1972 for what changes with time), the odds as Mantel and Haenszel (1959) do. Of several actions that are looked at one
 * or the other stands out by chance; that is reckoned with as Holm (1979) does.
 *
 * It says what came before, not what was the cause.
 */
final class BeforeBuying
{
    /** With fewer buyers nothing is said at all. */
    public const LEAST = 30;

    /** So many buyers at least who would have been expected to have done it, and not to have. */
    private const LEAST_EACH = 5;

    /** Days after joining that are looked at. */
    public const DAYS = 365;

    /** @var array<int, int> people who had not bought and were still to be seen after so many days */
    private array $there = [];

    /** @var array<int, int> people who bought then */
    private array $bought = [];

    /** @var array<string, array<int, int>> by action, of those who are there: who had done it before */
    private array $did = [];

    /** @var array<string, array<int, int>> by action, of those who bought: who had done it before */
    private array $buyersDid = [];

    /**
     * One person more.
     *
     * @param  int  $seen  days from their joining until today
     * @param  int|null  $bought  days from their joining until they first bought; null if they have not
     * @param  array<string, int>  $first  days until they first did an action
     */
    public function add(int $seen, ?int $bought, array $first): void
    {
        if ($seen < 0 || ($bought !== null && ($bought < 0 || $bought > $seen))) {
            return;
        }
        $until = min(self::DAYS, $bought ?? $seen);
        self::put($this->there, 0, $until);
        $buys = $bought !== null && $bought <= self::DAYS;
        if ($buys) {
            $this->bought[$bought] = ($this->bought[$bought] ?? 0) + 1;
        }
        foreach (self::actions() as $action) {
            $from = ($first[$action->value] ?? null) === null ? $until + 1 : max(0, $first[$action->value]) + 1;
            if ($from <= $until) {
                $this->did[$action->value] ??= [];
                self::put($this->did[$action->value], $from, $until);
                if ($buys) {
                    $this->buyersDid[$action->value][$bought] = ($this->buyersDid[$action->value][$bought] ?? 0) + 1;
                }
            }
        }
    }

    /** Buyers of whom something can be said: who bought on a later day than they joined. */
    public function buyers(): int
    {
        return array_sum(array_filter($this->bought, fn (int $day): bool => $day > 0, ARRAY_FILTER_USE_KEY));
    }

    /** @return list<Forerunner> of each action of which enough is known, the strongest first; none where there are too few buyers */
    public function all(): array
    {
        if ($this->buyers() < self::LEAST) {
            return [];
        }
        $there = self::running($this->there);
        $found = [];
        foreach (self::actions() as $action) {
            [$did, $expected, $variance, $for, $against] = $this->compared($action->value, $there);
            if ($variance > 0 && min($this->buyers() - $expected, $expected) >= self::LEAST_EACH) {
                // Counts are whole: half a step is taken off (Yates).
                $z = max(0.0, abs($did - $expected) - 0.5) / sqrt($variance);
                // Where all of them did it, or none, half a one is taken to have done otherwise.
                $odds = $for > 0 && $against > 0 ? $for / $against : ($for + 0.5) / ($against + 0.5);
                $found[] = [$action, $did, $expected, $odds, 2 * Normal::below(-$z)];
            }
        }

        return $this->judged($found);
    }

    /**
     * @param  array<int, int>  $there
     * @return array{int, float, float, float, float} buyers who had done it, how many were expected, the variance, and the two sides of the
     *     odds
     */
    private function compared(string $action, array $there): array
    {
        $had = self::running($this->did[$action] ?? []);
        [$did, $expected, $variance, $for, $against] = [0, 0.0, 0.0, 0.0, 0.0];
        foreach ($this->bought as $day => $buyers) {
            if ($day === 0) {
                continue;
            }
            $all = $there[$day] ?? 0;
            $exposed = $had[$day] ?? 0;
            $both = $this->buyersDid[$action][$day] ?? 0;
            $share = $exposed / $all;
            $did += $both;
            $expected += $buyers * $share;
            $variance += $all > 1 ? $buyers * $share * (1 - $share) * ($all - $buyers) / ($all - 1) : 0.0;
            $for += $both * ($all - $exposed - ($buyers - $both)) / $all;
            $against += ($buyers - $both) * ($exposed - $both) / $all;
        }

        return [$did, $expected, $variance, $for, $against];
    }

    /**
     * @param  list<array{Action, int, float, float, float}>  $found  with the chance that it is nothing
     * @return list<Forerunner>
     */
    private function judged(array $found): array
    {
        usort($found, fn (array $a, array $b): int => $a[4] <=> $b[4]);
        $said = [];
        $chance = 0.0;
        foreach ($found as $i => [$action, $did, $expected, $times, $p]) {
            $chance = max($chance, min(1.0, $p * (count($found) - $i)));
            $said[] = new Forerunner($action, $did, $this->buyers(), $expected, $times, 1 - $chance);
        }
        usort($said, fn (Forerunner $a, Forerunner $b): int => [$b->points(), $b->sure, $b->times] <=> [$a->points(), $a->sure, $a->times]);

        return $said;
    }

    /** @return list<Action> all but joining, which everybody has done, and buying, which is what it is about */
    public static function actions(): array
    {
        return array_values(array_filter(Action::cases(), fn (Action $a): bool => ! in_array($a, [Action::Joined, Action::Bought], true)));
    }

    /**
     * One more from a day to a day.
     *
     * @param  array<int, int>  $steps  what comes and goes, by day
     */
    private static function put(array &$steps, int $from, int $until): void
    {
        $steps[$from] = ($steps[$from] ?? 0) + 1;
        $steps[$until + 1] = ($steps[$until + 1] ?? 0) - 1;
    }

    /**
     * @param  array<int, int>  $steps
     * @return array<int, int> how many there are on each day
     */
    private static function running(array $steps): array
    {
        $running = [];
        $sum = 0;
        for ($day = 0; $day <= self::DAYS; $day++) {
            $running[$day] = $sum += $steps[$day] ?? 0;
        }

        return $running;
    }
}
