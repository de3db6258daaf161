<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

/** How a line came into an order. */
enum LineKind: string
{
    case Main = 'main';
    case Bump = 'bump';
    case Upsell = 'upsell';
    case Downsell = 'downsell';

    public function label(): string
    {
        return match ($this) {
            self::Main => 'Offer',
            self::Bump => 'Order bump',
            self::Upsell => 'Upsell',
            self::Downsell => 'Downsell',
        };
    }
}
