<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

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

    /** What the visitor is told in place of the checkout: heading and one sentence. */
    public function heading(): string
    {
        return match ($this) {
            self::OnSale => 'It can be bought',
            self::NotYet => 'Not open yet',
            self::Over => 'This offer is over',
            self::SoldOut => 'All places are taken',
            self::AlreadyBought => 'You have this already',
            self::TimeRanOut => 'The time for this offer has run out',
            self::TimeNotBegun => 'This offer is not open to you yet',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::OnSale => 'It can be bought now.',
            self::NotYet => 'It is not sold yet. Nothing has been charged.',
            self::Over => 'It is not sold any more. Nothing has been charged.',
            self::SoldOut => 'Somebody took the last place before you. Nothing has been charged.',
            self::TimeRanOut => 'It was open to you for a limited time, and that is over, on every device and by every link. '
                .'Nothing has been charged.',
            self::TimeNotBegun => 'It opens to those who were invited to it. Please come by the link in your email. Nothing has been '
                .'charged.',
            self::AlreadyBought => 'It was bought with this address before. Nothing has been charged. '
                .'The link in your receipt opens all that is yours.',
        };
    }
}
