<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use InvalidArgumentException;

/**
 * A rate with its 95 % interval after Wilson (1927), "Probable inference, the law of succession, and statistical
 * inference": it stays within 0 and 1 and is honest for few visitors and for rates near the ends.
 */
final readonly class Rate
{
    /** The 97.5 % point of the standard normal distribution. */
    private const Z = 1.959963984540054;

    private function __construct(
        public int $successes,
        public int $trials,
        public ?float $rate,
        public ?float $low,
        public ?float $high,
    ) {
    }

    /**
     * @param  int  $successes  never below nothing; more successes than trials count as all of them, since a
     *                          sign-up can be stored whose page view was not (a blocked script)
     *
     * @throws InvalidArgumentException for a negative count
     */
    public static function of(int $successes, int $trials): self
    {
        if ($successes < 0 || $trials < 0) {
            throw new InvalidArgumentException('Counts cannot be negative.');
        }
        $trials = max($successes, $trials);
        if ($trials === 0) {
            return new self(0, 0, null, null, null);
        }
        $p = $successes / $trials;
        $z2 = self::Z ** 2;
        $centre = ($p + $z2 / (2 * $trials)) / (1 + $z2 / $trials);
        $half = self::Z / (1 + $z2 / $trials) * sqrt($p * (1 - $p) / $trials + $z2 / (4 * $trials ** 2));

        return new self($successes, $trials, $p,
            $successes === 0 ? 0.0 : max(0.0, $centre - $half),
            $successes === $trials ? 1.0 : min(1.0, $centre + $half));
    }

    /** @return array{successes: int, trials: int, rate: float|null, low: float|null, high: float|null} */
    public function toArray(): array
    {
        return ['successes' => $this->successes, 'trials' => $this->trials, 'rate' => $this->rate, 'low' => $this->low,
            'high' => $this->high];
    }
}
