<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Languages\Phrase;

/** Whether an offer can be bought at a moment by somebody, and if not, why. */
enum Availability: string
{
    case OnSale = 'on-sale';
    case NotYet = 'not-yet';
    case Over = 'over';
    case SoldOut = 'sold-out';
    case AlreadyBought = 'already-bought';
    /** A deadline of this person's own has passed. */
    case TimeRanOut = 'time-ran-out';
    case TimeNotBegun = 'time-not-begun';

    /** What the visitor is told in place of the checkout: a heading, and what to know. */
    public function heading(): Phrase
    {
        return Phrase::of("{$this->key()}.title");
    }

    public function sentence(): Phrase
    {
        return Phrase::of("{$this->key()}.words");
    }

    private function key(): string
    {
        return match ($this) {
            self::OnSale => 'offer.on_sale',
            self::NotYet => 'offer.not_yet',
            self::Over => 'offer.over',
            self::SoldOut => 'offer.sold_out',
            self::AlreadyBought => 'offer.already_bought',
            self::TimeRanOut => 'offer.time_ran_out',
            self::TimeNotBegun => 'offer.time_not_begun',
        };
    }
}
