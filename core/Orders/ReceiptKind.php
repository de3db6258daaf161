<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

use Lantern\Core\Languages\Phrase;

/** What a receipt is of. */
enum ReceiptKind: string
{
    case Purchase = 'purchase';
    /** A later payment of a plan. */
    case Payment = 'payment';
    case Refund = 'refund';

    public function phrase(): Phrase
    {
        return Phrase::of(match ($this) {
            self::Purchase => 'receipt.purchase',
            self::Payment => 'receipt.payment',
            self::Refund => 'receipt.refund',
        });
    }

    public function label(): string
    {
        return match ($this) {
            self::Purchase => 'Receipt',
            self::Payment => 'Receipt for a payment',
            self::Refund => 'Refund',
        };
    }
}
