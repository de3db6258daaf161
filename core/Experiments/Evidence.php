<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/**
 * How strongly the counts of two variants speak against there being no difference, in a way that looking often does not spoil.
 *
 * Who gets which variant is decided by a hash, so without a difference the variant of each visitor whose outcome becomes known is the
 * one or the other by the weights alone, whatever the rate is and however it changes from day to day. A likelihood ratio of these
 * variants (a difference of some size, against none), averaged over a fixed set of sizes, is then a martingale that begins at one: the
 * chance that it ever reaches 20 is at most one in twenty (Ville's inequality), no matter when and how often one looks. The outcome
 * of a visitor becomes known once: when they reach the goal, or when the time in which they would have is over.
 */
final class Evidence
{
    /** Differences that are looked for, as logarithms of the ratio of the odds, in both directions and each as likely. */
    private const SIZES = [0.04, 0.07, 0.11, 0.16, 0.23, 0.32, 0.45, 0.65, 0.95];

    /** How far the true rate may be from the expected one, as logarithms of the odds, and how likely each is held to be. */
    private const OFF = ['-0.7' => 0.1, '-0.35' => 0.2, '0' => 0.4, '0.35' => 0.2, '0.7' => 0.1];

    private const KEPT = 20;

    /** @var array<string, non-empty-list<array{float, float, float, float, float}>> see {@see self::ratios()} */
    private static array $ratios = [];

    /**
     * Of rates; also of counts that are only expected, and so no whole numbers.
     *
     * @param  float  $reached  how many reached the goal, likewise `not` who did not
     * @param  float  $expected  the rate that was expected before the test began; a wrong one costs time, never truth
     * @return float the logarithm of the ratio
     */
    public static function ofCounts(int $weight, float $reached, float $not, int $otherWeight, float $otherReached, float $otherNot,
        float $expected): float
    {
        if ($weight === 0 || $otherWeight === 0) {
            return 0.0;
        }
        $terms = [];
        foreach (self::ratios($weight / ($weight + $otherWeight), $expected) as [$likely, $yes, $otherYes, $no, $otherNo]) {
            $terms[] = $likely + $reached * $yes + $otherReached * $otherYes + $not * $no + $otherNot * $otherNo;
        }

        return self::logOfSum($terms);
    }

    /**
     * What one visitor more says for each difference that is looked for. They are the same for every look at a test.
     *
     * @return non-empty-list<array{float, float, float, float, float}> logarithms: how likely the difference is held to be; and
     *     the ratio for who reached the goal with the one and with the other, and for who did not
     */
    private static function ratios(float $w, float $expected): array
    {
        $key = "{$w} {$expected}";
        if (isset(self::$ratios[$key])) {
            return self::$ratios[$key];
        }
        $middle = log(min(0.98, max(0.0005, $expected)) / (1 - min(0.98, max(0.0005, $expected))));
        $ratios = [];
        foreach (self::OFF as $off => $likely) {
            foreach (self::SIZES as $size) {
                foreach ([$size, -$size] as $d) {
                    $p = 1 / (1 + exp(-($middle + (float) $off + $d / 2)));
                    $q = 1 / (1 + exp(-($middle + (float) $off - $d / 2)));
                    // Whose variant it is, given that they reached the goal, and given that they did not.
                    $yes = $w * $p / ($w * $p + (1 - $w) * $q);
                    $no = $w * (1 - $p) / ($w * (1 - $p) + (1 - $w) * (1 - $q));
                    $ratios[] = [log($likely / 2 / count(self::SIZES)), log($yes / $w), log((1 - $yes) / (1 - $w)), log($no / $w),
                        log((1 - $no) / (1 - $w))];
                }
            }
        }
        self::$ratios = array_slice(self::$ratios, -self::KEPT + 1) + [$key => $ratios];

        return $ratios;
    }

    /**
     * @param  non-empty-list<float>  $terms  logarithms
     */
    private static function logOfSum(array $terms): float
    {
        $most = max($terms);
        $sum = 0.0;
        foreach ($terms as $term) {
            $sum += exp($term - $most);
        }

        return $most + log($sum);
    }

    /**
     * The same for money: whose variant each buyer had, with more weight on those who paid more. Those who paid nothing say nothing,
     * which costs little where few buy.
     *
     * @param  list<float>  $one  what each buyer of the one paid first
     * @param  list<float>  $other  likewise
     * @param  float  $typical  what a buyer typically pays, as it was expected before the test began
     * @param  float  $times  as if there had been so many times as many, of the same
     */
    public static function ofMoney(int $weight, array $one, int $otherWeight, array $other, float $typical,
        float $times = 1.0): float
    {
        if ($weight === 0 || $otherWeight === 0 || $typical <= 0.0) {
            return 0.0;
        }
        $w = $weight / ($weight + $otherWeight);
        $terms = [];
        foreach (self::SIZES as $size) {
            foreach ([$size, -$size] as $d) {
                $sum = 0.0;
                $share = fn (float $paid): float => $w / ($w + (1 - $w) * exp(-$d * min(4.0, max(0.0, $paid / $typical))));
                foreach ($one as $paid) {
                    $sum += log($share($paid) / $w);
                }
                foreach ($other as $paid) {
                    $sum += log((1 - $share($paid)) / (1 - $w));
                }
                $terms[] = $times * $sum - log(2 * count(self::SIZES));
            }
        }

        return self::logOfSum($terms);
    }
}
