<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

/** How an action and buying go together. */
final readonly class Forerunner
{
    public const SURE = 0.99;

    /** So many points are suggested for each doubling. */
    private const PER_DOUBLING = 10;

    /**
     * @param  int  $did  buyers who had done it on an earlier day
     * @param  float  $expected  how many of them would have, had they done it as often as others who had joined as long ago
     * @param  float  $times  how many times as often somebody buys who has done it: the odds, against those who have not
     * @param  float  $sure  that this is no chance, from 0 to 1; all actions that were looked at are reckoned with
     */
    public function __construct(public Action $action, public int $did, public int $buyers, public float $expected, public float $times,
        public float $sure)
    {
    }

    /** Is it sure enough to be said, and does it come before buying rather than keep from it? */
    public function says(): bool
    {
        return $this->times > 1 && $this->sure >= self::SURE;
    }

    /** What the action would be worth by it. */
    public function points(): int
    {
        return ! $this->says() ? 0 : max(1, min(Weights::MOST, (int) round(self::PER_DOUBLING * log(min($this->times, 1e6), 2))));
    }
}
