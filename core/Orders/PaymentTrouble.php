<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

use Lantern\Core\Languages\Phrase;

/** Why a payment failed. */
enum PaymentTrouble: string
{
    case Declined = 'declined';
    case NoFunds = 'no-funds';
    case Expired = 'expired';
    case BankRefused = 'bank-refused';
    /** Nobody decided at the bank in time. */
    case BankAbandoned = 'bank-abandoned';
    /** The provider does not know the card any more. */
    case UnknownCard = 'unknown';
    /** A later payment of a plan that is not tried again before there is another card. */
    case NeedsCard = 'needs-card';

    /** The provider never heard of it, and its buyer is gone. */
    case NeverAsked = 'never-asked';

    /** To the buyer, a sentence with its full stop. */
    public function phrase(): Phrase
    {
        return Phrase::of(match ($this) {
            self::Declined, self::NeedsCard => 'card.declined',
            self::NoFunds => 'card.no_funds',
            self::Expired => 'card.expired',
            self::BankRefused => 'card.bank_refused',
            self::BankAbandoned => 'card.bank_abandoned',
            self::UnknownCard => 'card.unknown',
            self::NeverAsked => 'card.uncharged',
        });
    }

    /** To the owner. */
    public function label(): string
    {
        return match ($this) {
            self::Declined => 'The bank declined the card.',
            self::NoFunds => 'There was not enough money on the card.',
            self::Expired => 'The card had expired.',
            self::BankRefused => 'It was not approved at the bank.',
            self::BankAbandoned => 'It was not approved at the bank in time.',
            self::UnknownCard => 'The card is not known any more.',
            self::NeedsCard => 'Waits for a new card.',
            self::NeverAsked => 'It was never asked for, and nothing has been charged.',
        };
    }
}
