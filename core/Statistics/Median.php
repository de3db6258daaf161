<?php

declare(strict_types=1);

namespace Lantern\Core\Statistics;

/** The middle one of numbers: half of them are as large, or larger. */
final class Median
{
    /** @param  list<int>  $numbers  of an even number of them the two in the middle are averaged, rounded down */
    public static function of(array $numbers): int
    {
        sort($numbers);
        $middle = intdiv(count($numbers), 2);

        return match (true) {
            $numbers === [] => 0,
            count($numbers) % 2 === 1 => $numbers[$middle],
            default => intdiv($numbers[$middle - 1] + $numbers[$middle], 2),
        };
    }
}
