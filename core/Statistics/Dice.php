<?php

declare(strict_types=1);

namespace Lantern\Core\Statistics;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Chance that comes out the same for the same seed, on every machine. */
final class Dice
{
    private const STEPS = 1 << 52;

    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** Between 0 and 1, neither of them. */
    public function share(): float
    {
        return ($this->random->getInt(0, self::STEPS - 1) + 0.5) / self::STEPS;
    }

    /** From 0 up to, and without, so many. */
    public function below(int $many): int
    {
        return $this->random->getInt(0, max(0, $many - 1));
    }

    public function happens(float $probability): bool
    {
        return $this->share() < $probability;
    }

    /** By the polar way of Box and Muller. */
    public function normal(): float
    {
        return sqrt(-2 * log($this->share())) * cos(2 * M_PI * $this->share());
    }

    /** Of the gamma distribution with scale 1: G. Marsaglia and W. W. Tsang, A simple method for generating gamma variables, 2000. */
    public function gamma(float $shape): float
    {
        if ($shape < 1) {
            return $this->gamma($shape + 1) * $this->share() ** (1 / $shape);
        }
        $d = $shape - 1 / 3;
        $c = 1 / sqrt(9 * $d);
        do {
            do {
                $x = $this->normal();
                $v = 1 + $c * $x;
            } while ($v <= 0);
            $v **= 3;
        } while (log($this->share()) >= 0.5 * $x * $x + $d - $d * $v + $d * log($v));

        return $d * $v;
    }

    public function beta(float $a, float $b): float
    {
        $x = $this->gamma($a);

        return $x / ($x + $this->gamma($b));
    }
}
