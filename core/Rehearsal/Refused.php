<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Offers\Availability;

/** Why something cannot be bought, for the owner. */
final class Refused
{
    public static function words(Availability $why): string
    {
        return match ($why) {
            Availability::NotYet => 'it is not sold yet.',
            Availability::Over => 'it is not sold any more.',
            Availability::SoldOut => 'it is sold out.',
            Availability::AlreadyBought => 'they have bought it.',
            Availability::TimeRanOut => 'their time has run out.',
            Availability::TimeNotBegun => 'their time has not begun.',
            Availability::OnSale => 'it is on sale.',
        };
    }
}
