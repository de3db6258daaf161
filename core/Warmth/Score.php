<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

use DateTimeImmutable;
use DateTimeZone;

/**
 * How warm somebody is, from 0 to 100, by what they did. Each action counts once a day, in the owner's zone, and fades by half with each
 * half-life. Whoever has unsubscribed, or whose mailbox refuses, is cold.
 */
final readonly class Score
{
    public const MOST = 100;

    /** How long ago "last month" is, in days. */
    private const MONTH = 30;

    /** How many ways to get warmer are worth naming. */
    private const RAISES = 3;

    /**
     * @param  array<string, list<string>>  $days  by action, the dates on which it was done
     * @param  bool  $cold  whatever they did
     */
    private function __construct(public int $value, private Weights $weights, private array $days, private string $today,
        private bool $cold)
    {
    }

    /**
     * @param  array<string, list<string>>  $days  by action: YYYY-MM-DD, in any order, each once
     * @param  string  $today  likewise
     */
    public static function of(Weights $weights, array $days, string $today, bool $cold = false): self
    {
        return new self($cold ? 0 : self::whole(self::sum($weights, $days, $today)), $weights, $days, $today, $cold);
    }

    /** Of a sum in {@see Weights::UNIT}, half a point rounded up, and never more than there is. */
    public static function whole(int $sum): int
    {
        return min(self::MOST, intdiv($sum + intdiv(Weights::UNIT, 2), Weights::UNIT));
    }

    public function band(): Band
    {
        return Band::of($this->value);
    }

    /**
     * What it is made of, the most first: only what is worth something.
     *
     * @return list<array{action: Action, times: int, last: string, points: float, faded: float}> points that are left, and that have
     *     faded, each to a tenth
     */
    public function parts(): array
    {
        $parts = [];
        foreach (Action::cases() as $action) {
            $days = array_values(array_filter($this->days[$action->value] ?? [], fn (string $d): bool => $d <= $this->today));
            $left = self::sum($this->weights, [$action->value => $days], $this->today);
            $full = count($days) * $this->weights->worth($action) * Weights::UNIT;
            if ($days !== [] && $full > 0) {
                $parts[] = ['action' => $action, 'times' => count($days), 'last' => max($days), 'points' => self::tenth($left),
                    'faded' => self::tenth($full - $left)];
            }
        }
        usort($parts, fn (array $a, array $b): int => $b['points'] <=> $a['points']);

        return $parts;
    }

    /** How warm they were a month ago, by what they had done until then. Whether they were on the list still is not looked at. */
    public function aMonthAgo(): int
    {
        $then = (new DateTimeImmutable($this->today, new DateTimeZone('UTC')))->modify('-'.self::MONTH.' days')->format('Y-m-d');

        return self::whole(self::sum($this->weights, $this->days, $then));
    }

    /**
     * What would raise it most if they did it today.
     *
     * @return list<array{action: Action, to: int}> the score it would be then
     */
    public function raises(): array
    {
        if ($this->cold) {
            return [];
        }
        $sum = self::sum($this->weights, $this->days, $this->today);
        $raises = [];
        foreach (Action::cases() as $action) {
            $to = self::whole($sum + $this->weights->worth($action) * Weights::UNIT);
            // Joining again, or what was done today already, raises nothing.
            if ($action !== Action::Joined && ! in_array($this->today, $this->days[$action->value] ?? [], true) && $to > $this->value) {
                $raises[] = ['action' => $action, 'to' => $to];
            }
        }
        usort($raises, fn (array $a, array $b): int => $b['to'] <=> $a['to']);

        return array_slice($raises, 0, self::RAISES);
    }

    /** @param  array<string, list<string>>  $days */
    private static function sum(Weights $weights, array $days, string $today): int
    {
        $utc = new DateTimeZone('UTC');
        $now = new DateTimeImmutable($today, $utc);
        $sum = 0;
        foreach (Action::cases() as $action) {
            foreach ($days[$action->value] ?? [] as $day) {
                $age = (int) (new DateTimeImmutable($day, $utc))->diff($now)->format('%r%a');
                $sum += $weights->worth($action) * $weights->left($age);
            }
        }

        return $sum;
    }

    private static function tenth(int $sum): float
    {
        return round($sum / Weights::UNIT, 1);
    }
}
