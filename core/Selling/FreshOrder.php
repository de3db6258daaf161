<?php

declare(strict_types=1);

namespace Lantern\Core\Selling;

use DateTimeImmutable;
use Lantern\Core\Orders\OrderState;

/** An order with which extra offers may be taken by one click, for a while. */
final readonly class FreshOrder
{
    /**
     * @param  DateTimeImmutable|null  $boughtAt  when its money arrived; null where it has not
     * @param  int  $minutes  for which it counts as fresh
     */
    public function __construct(public OrderState $state, public ?DateTimeImmutable $boughtAt, public int $minutes)
    {
    }

    /** Whoever got their money back, or takes it back, is charged nothing more by one click. */
    public function isFresh(DateTimeImmutable $now): bool
    {
        return $this->boughtAt !== null && $now < $this->boughtAt->modify("+{$this->minutes} minutes") && $this->state->isKept();
    }
}
