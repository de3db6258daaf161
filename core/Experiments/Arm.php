<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use InvalidArgumentException;

/** What a test has seen of one variant so far. */
final readonly class Arm
{
    /**
     * @param  string  $letter  A is what was there before
     * @param  int  $weight  its share of visitors, beside those of the others
     * @param  int  $visitors  who have seen it, each once
     * @param  int  $reached  of them, who have reached the goal
     * @param  int|null  $settled  of the others, for whom the time in which they would have is over; as {@see Evidence} counts them
     * @param  Purchases  $bought  what those who bought have paid, where the goal is revenue
     *
     * @throws InvalidArgumentException for counts that cannot be
     */
    public function __construct(
        public string $letter,
        public int $weight,
        public int $visitors,
        public int $reached,
        public ?int $settled = null,
        public Purchases $bought = new Purchases,
    ) {
        if ($visitors < 0 || $reached < 0 || $reached > $visitors || $weight < 0 || ($settled ?? 0) < 0
            || ($settled ?? 0) > $visitors - $reached) {
            throw new InvalidArgumentException("The counts of variant {$letter} cannot be.");
        }
    }

    /** Of those who have not reached the goal, how many are known not to. */
    public function notReached(): int
    {
        return $this->settled ?? $this->visitors - $this->reached;
    }
}
