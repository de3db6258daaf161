<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

use Lantern\Core\Languages\Phrase;

/** Whether a buyer can open what they bought. */
enum AccessState: string
{
    case Active = 'active';
    /** Until a payment is made good, or a dispute is over. */
    case Paused = 'paused';
    case Ended = 'ended';

    public function phrase(): Phrase
    {
        return Phrase::of(match ($this) {
            self::Active => 'purchase.active',
            self::Paused => 'purchase.paused',
            self::Ended => 'purchase.ended',
        });
    }

    public function label(): string
    {
        return match ($this) {
            self::Active => 'Open',
            self::Paused => 'Paused',
            self::Ended => 'Ended',
        };
    }
}
