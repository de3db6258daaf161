<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** A day on which far more visitors came than on the others, of whom hardly anybody did anything: programs that do not say so. */
final class Wave
{
    private const TIMES_AS_MANY = 5;

    private const AT_LEAST = 40;

    /**
     * @param  array<string, array{int, int}>  $days  by date: how many came, and how many of them reached the goal
     * @return list<string> the dates of such days
     */
    public static function in(array $days): array
    {
        if (count($days) < 4) {
            return [];
        }
        $visitors = array_column($days, 0);
        sort($visitors);
        $usual = max(1, $visitors[intdiv(count($visitors) - 1, 2)]);
        $found = [];
        foreach ($days as $date => [$came, $reached]) {
            $others = array_sum($visitors) - $came;
            $rate = $others === 0 ? 0.0 : (array_sum(array_column($days, 1)) - $reached) / $others;
            if ($came >= self::AT_LEAST && $came > self::TIMES_AS_MANY * $usual && $reached < $rate * $came / 4) {
                $found[] = (string) $date;
            }
        }

        return $found;
    }
}
