<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/** One step of the way, as it went in a period: who could, who did, and what came of those who did. */
final readonly class Step
{
    /**
     * @param  string  $page  the id of the page where it happens; '' where it is on none
     * @param  int  $could  who came as far
     * @param  int  $did  of them, who did it
     * @param  float  $signups  how many sign-ups one who does it brings, here or later
     * @param  float  $money  how much money, in the smallest unit of the funnel's currency
     * @param  Rate|null  $past  how it went here before the period
     * @param  Rate|null  $other  how it goes best in another funnel of the owner's, at a page of the same role
     * @param  string  $otherName  which funnel that is
     */
    public function __construct(
        public StepKind $kind,
        public string $page,
        public string $name,
        public int $could,
        public int $did,
        public float $signups,
        public float $money,
        public ?Rate $past = null,
        public ?Rate $other = null,
        public string $otherName = '',
    ) {
    }

    public function rate(): Rate
    {
        return Rate::of(min($this->could, $this->did), $this->could);
    }
}
