<?php

declare(strict_types=1);

namespace Lantern\Core\Statistics;

/** Quantiles of the normal distribution and of Student's. */
final class Normal
{
    /** The value below which a share of the standard normal distribution lies; to about 1e-13, by Newton's method. */
    public static function quantile(float $p): float
    {
        if ($p <= 0.0 || $p >= 1.0) {
            return $p <= 0.0 ? -INF : INF;
        }
        // A first guess (Abramowitz and Stegun 26.2.23), which is off by less than 0.00045.
        $t = sqrt(-2 * log(min($p, 1 - $p)));
        $x = $t - (2.515517 + $t * (0.802853 + $t * 0.010328)) / (1 + $t * (1.432788 + $t * (0.189269 + $t * 0.001308)));
        $x = $p < 0.5 ? -$x : $x;
        for ($i = 0; $i < 4; $i++) {
            $x -= (self::below($x) - $p) / (exp(-$x * $x / 2) / sqrt(2 * M_PI));
        }

        return $x;
    }

    /** The share of the standard normal distribution below a value. */
    public static function below(float $x): float
    {
        $upper = Gamma::upper(0.5, $x * $x / 2) / 2;

        return $x < 0 ? $upper : 1 - $upper;
    }

    /** The same of Student's distribution, expanded around the normal one (Abramowitz and Stegun 26.7.5); good from 3 degrees on. */
    public static function student(float $p, float $degrees): float
    {
        $x = self::quantile($p);
        $terms = [($x ** 3 + $x) / 4, (5 * $x ** 5 + 16 * $x ** 3 + 3 * $x) / 96,
            (3 * $x ** 7 + 19 * $x ** 5 + 17 * $x ** 3 - 15 * $x) / 384,
            (79 * $x ** 9 + 776 * $x ** 7 + 1482 * $x ** 5 - 1920 * $x ** 3 - 945 * $x) / 92_160];
        foreach ($terms as $k => $term) {
            $x += $term / $degrees ** ($k + 1);
        }

        return $x;
    }
}
