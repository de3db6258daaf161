<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** What a receipt is of. */
enum ReceiptKind: string
{
    case Purchase = 'purchase';
    /** A later payment of a plan. */
    case Payment = 'payment';
    case Refund = 'refund';

    public function label(): string
    {
        return match ($this) {
            self::Purchase => 'Receipt',
            self::Payment => 'Receipt for a payment',
            self::Refund => 'Refund',
        };
    }
}
