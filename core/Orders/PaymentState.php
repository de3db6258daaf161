<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** Where one payment of an order stands. */
enum PaymentState: string
{
    /** A later payment of a plan, not asked for yet. */
    case Due = 'due';
    /** The provider was asked, or is about to be: what came of it is found out by its key. */
    case Asked = 'asked';
    /** Waits for the buyer to approve it at their bank. */
    case Bank = 'bank';
    case Paid = 'paid';
    case Failed = 'failed';
    /** Not asked for any more: the plan was given up, or its order refunded. */
    case Cancelled = 'cancelled';
    /** The buyer's bank took it back, or is about to. */
    case Disputed = 'disputed';

    /**
     * What may come next. Another try is another payment, with a key of its own; a payment that was given up becomes paid only
     * when its provider says, late, that it went through after all.
     *
     * @return list<self>
     */
    public function next(): array
    {
        return match ($this) {
            self::Due => [self::Asked, self::Cancelled],
            self::Asked => [self::Bank, self::Paid, self::Failed],
            self::Bank => [self::Paid, self::Failed],
            self::Paid => [self::Disputed],
            self::Disputed => [self::Paid],
            self::Failed => [self::Paid],
            self::Cancelled => [],
        };
    }

    public function mayBecome(self $state): bool
    {
        return in_array($state, $this->next(), true);
    }

    /** Is it not known yet what becomes of it? */
    public function isOpen(): bool
    {
        return $this === self::Asked || $this === self::Bank;
    }

    public function label(): string
    {
        return match ($this) {
            self::Due => 'Due later',
            self::Asked => 'Asked for',
            self::Bank => 'Waiting for the bank',
            self::Paid => 'Paid',
            self::Failed => 'Failed',
            self::Cancelled => 'Cancelled',
            self::Disputed => 'Disputed',
        };
    }
}
