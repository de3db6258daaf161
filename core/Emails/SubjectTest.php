<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

/**
 * Which of two subjects did better. The higher rate wins; of equal rates the first, since it was the owner's first
 * thought. How sure it is, is the chance that the winner's true rate is the higher one, each rate being Beta(1 + hits,
 * 1 + misses) and their difference taken as normal.
 */
final readonly class SubjectTest
{
    private function __construct(public string $winner, public float $rateA, public float $rateB, public float $sure)
    {
    }

    /**
     * @param  array{sent: int, hits: int}  $a
     * @param  array{sent: int, hits: int}  $b
     */
    public static function of(array $a, array $b): self
    {
        [$ra, $rb] = [self::rate($a), self::rate($b)];
        [$ma, $va] = self::beta($a);
        [$mb, $vb] = self::beta($b);
        $winner = $rb > $ra ? 'b' : 'a';
        $z = ($winner === 'b' ? $mb - $ma : $ma - $mb) / sqrt($va + $vb);

        return new self($winner, $ra, $rb, self::normal($z));
    }

    /** @param  array{sent: int, hits: int}  $of */
    private static function rate(array $of): float
    {
        return $of['sent'] === 0 ? 0.0 : $of['hits'] / $of['sent'];
    }

    /**
     * @param  array{sent: int, hits: int}  $of
     * @return array{float, float} mean and variance
     */
    private static function beta(array $of): array
    {
        $alpha = 1 + $of['hits'];
        $beta = 1 + max(0, $of['sent'] - $of['hits']);
        $sum = $alpha + $beta;

        return [$alpha / $sum, $alpha * $beta / ($sum * $sum * ($sum + 1))];
    }

    /** The normal distribution function, after Abramowitz and Stegun 26.2.17; off by 7.5e-8 at most. */
    private static function normal(float $z): float
    {
        $t = 1 / (1 + 0.2316419 * abs($z));
        $tail = exp(-$z * $z / 2) / sqrt(2 * M_PI) * $t * (0.319381530
            + $t * (-0.356563782 + $t * (1.781477937 + $t * (-1.821255978 + $t * 1.330274429))));

        return $z >= 0 ? 1 - $tail : $tail;
    }

    /** One sentence for the owner. */
    public function words(bool $byClicks): string
    {
        $rate = fn (float $r): string => number_format($r * 100, 1).' %';
        $what = $byClicks ? 'clicked' : 'opened';
        $sure = (int) round($this->sure * 100);

        return $this->rateA === $this->rateB
            ? "Both were {$what} by {$rate($this->rateA)}; the first one goes to the rest."
            : ($this->winner === 'a' ? "The first subject was {$what} by {$rate($this->rateA)}, the other by {$rate($this->rateB)}"
                : "The other subject was {$what} by {$rate($this->rateB)}, the first by {$rate($this->rateA)}")
                ."; {$sure} % sure that it is better".($sure < 90 ? ', so it may well be luck.' : '.');
    }
}
