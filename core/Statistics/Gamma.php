<?php

declare(strict_types=1);

namespace Lantern\Core\Statistics;

/** The gamma function and what is made of it, as far as it is needed here. Relative errors are below 1e-12. */
final class Gamma
{
    /** The natural logarithm of the gamma function of a positive number, by Stirling's series (Abramowitz and Stegun 6.1.41). */
    public static function log(float $x): float
    {
        $shift = 0.0;
        while ($x < 12.0) {
            $shift -= log($x);
            $x += 1.0;
        }
        $inverse = 1.0 / $x;
        $square = $inverse * $inverse;
        $series = $inverse * (1 / 12 - $square * (1 / 360 - $square * (1 / 1260 - $square * (1 / 1680 - $square * (1 / 1188)))));

        return $shift + ($x - 0.5) * log($x) - $x + 0.5 * log(2 * M_PI) + $series;
    }

    /** The natural logarithm of the beta function. */
    public static function logBeta(float $a, float $b): float
    {
        return self::log($a) + self::log($b) - self::log($a + $b);
    }

    /**
     * The regularized upper incomplete gamma function Q(a, x): a series where that converges fast, a continued fraction elsewhere
     * (Abramowitz and Stegun 6.5.29 and 6.5.31).
     */
    public static function upper(float $a, float $x): float
    {
        if ($x <= 0.0) {
            return 1.0;
        }
        $scale = exp($a * log($x) - $x - self::log($a));
        if ($x < $a + 1.0) {
            $term = $sum = 1.0 / $a;
            for ($n = 1; $n < 1000 && $term > $sum * 1e-16; $n++) {
                $term *= $x / ($a + $n);
                $sum += $term;
            }

            return max(0.0, 1.0 - $sum * $scale);
        }
        $b = $x + 1.0 - $a;
        $c = 1e300;
        $d = $fraction = 1.0 / $b;
        for ($n = 1; $n < 1000; $n++) {
            $an = -$n * ($n - $a);
            $b += 2.0;
            $d = 1.0 / ($an * $d + $b);
            $c = $b + $an / $c;
            $fraction *= $d * $c;
            if (abs($d * $c - 1.0) < 1e-15) {
                break;
            }
        }

        return $scale * $fraction;
    }
}
