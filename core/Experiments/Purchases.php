<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** What buyers have paid, each buyer once with all they bought less what went back: how many, the sum, and the sum of the squares. */
final readonly class Purchases
{
    public function __construct(public int $buyers = 0, public float $sum = 0.0, public float $squares = 0.0)
    {
    }

    /** @param  list<float>  $amounts  in whatever unit, all in the same */
    public static function of(array $amounts): self
    {
        return new self(count($amounts), array_sum($amounts), array_sum(array_map(fn (float $a): float => $a * $a, $amounts)));
    }

    public function plus(self $other): self
    {
        return new self($this->buyers + $other->buyers, $this->sum + $other->sum, $this->squares + $other->squares);
    }

    public function mean(): float
    {
        return $this->buyers === 0 ? 0.0 : $this->sum / $this->buyers;
    }

    /** With the divisor n. */
    public function variance(): float
    {
        return $this->buyers === 0 ? 0.0 : max(0.0, $this->squares / $this->buyers - $this->mean() ** 2);
    }
}
