<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

/** How an offer is paid. */
enum PriceKind: string
{
    case Once = 'once';
    case Payments = 'payments';
    case Free = 'free';
    /** The buyer names the amount, from a least one on. */
    case Named = 'named';

    public function label(): string
    {
        return match ($this) {
            self::Once => 'Paid at once',
            self::Payments => 'In several payments',
            self::Free => 'Free',
            self::Named => 'The buyer names the amount',
        };
    }
}
