<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Statistics\Gamma;

/**
 * Did visitors fall to the variants as their weights say? Pearson's chi-square of the counts; where such counts come about by chance in
 * fewer than one of a thousand tests, something sorts the visitors, and nothing that the test says can be believed.
 */
final class SampleRatio
{
    public const TOO_UNLIKELY = 0.001;

    /**
     * @param  list<Arm>  $arms
     * @return float the chance of counts that are at least as far off, by chance alone
     */
    public static function chance(array $arms): float
    {
        $arms = array_values(array_filter($arms, fn (Arm $a): bool => $a->weight > 0 || $a->visitors > 0));
        $all = array_sum(array_map(fn (Arm $a): int => $a->visitors, $arms));
        $weights = array_sum(array_map(fn (Arm $a): int => $a->weight, $arms));
        if ($all === 0 || $weights === 0 || count($arms) < 2) {
            return 1.0;
        }
        $square = 0.0;
        foreach ($arms as $arm) {
            $expected = $all * $arm->weight / $weights;
            if ($expected <= 0.0) {
                return 0.0;
            }
            $square += ($arm->visitors - $expected) ** 2 / $expected;
        }

        return Gamma::upper((count($arms) - 1) / 2, $square / 2);
    }

    /** @param  list<Arm>  $arms */
    public static function isOff(array $arms): bool
    {
        return self::chance($arms) < self::TOO_UNLIKELY;
    }
}
