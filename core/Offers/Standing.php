<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

/** Whether an offer can be bought at a moment by somebody, and if not, why. */
enum Standing: string
{
    case OnSale = 'on-sale';
    case NotYet = 'not-yet';
    case Over = 'over';
    case SoldOut = 'sold-out';
    case AlreadyBought = 'already-bought';

    /** What the visitor is told in place of the checkout: heading and one sentence. */
    public function heading(): string
    {
        return match ($this) {
            self::OnSale => 'It can be bought',
            self::NotYet => 'Not open yet',
            self::Over => 'This offer is over',
            self::SoldOut => 'All places are taken',
            self::AlreadyBought => 'You have this already',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::OnSale => 'It can be bought now.',
            self::NotYet => 'It is not sold yet. Nothing has been charged.',
            self::Over => 'It is not sold any more. Nothing has been charged.',
            self::SoldOut => 'Somebody took the last place before you. Nothing has been charged.',
            self::AlreadyBought => 'It was bought with this address before. Nothing has been charged. '
                .'The link in your receipt opens all that is yours.',
        };
    }
}
