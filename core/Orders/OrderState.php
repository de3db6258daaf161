<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** Where an order stands. It is never set by hand: {@see OrderSums} reads it from the facts. */
enum OrderState: string
{
    /** Placed, and its first payment asked for. */
    case Open = 'open';
    /** Waits for the buyer's bank. */
    case Waiting = 'waiting';
    case Paid = 'paid';
    case PartRefunded = 'part-refunded';
    case Refunded = 'refunded';
    /** Its payment failed. The buyer may try again with another card. */
    case Failed = 'failed';
    case Disputed = 'disputed';

    /** @return list<self> the states that may follow */
    public function next(): array
    {
        return match ($this) {
            self::Open => [self::Waiting, self::Paid, self::Failed],
            self::Waiting => [self::Open, self::Paid, self::Failed],
            self::Failed => [self::Open, self::Waiting, self::Paid],
            self::Paid => [self::PartRefunded, self::Refunded, self::Disputed],
            self::PartRefunded => [self::Paid, self::Refunded, self::Disputed],
            self::Refunded => [self::PartRefunded, self::Paid, self::Disputed],
            self::Disputed => [self::Paid, self::PartRefunded, self::Refunded],
        };
    }

    public function mayBecome(self $state): bool
    {
        return $state === $this || in_array($state, $this->next(), true);
    }

    /** Was it bought: did the money arrive, whatever became of it later? */
    public function isBought(): bool
    {
        return in_array($this, [self::Paid, self::PartRefunded, self::Refunded, self::Disputed], true);
    }

    /** Was it bought, and is it still: does its buyer have what they paid for? */
    public function isKept(): bool
    {
        return $this === self::Paid || $this === self::PartRefunded;
    }

    public function label(): string
    {
        return match ($this) {
            self::Open => 'Open',
            self::Waiting => 'Waiting for the bank',
            self::Paid => 'Paid',
            self::PartRefunded => 'Part-refunded',
            self::Refunded => 'Refunded',
            self::Failed => 'Failed',
            self::Disputed => 'Disputed',
        };
    }
}
