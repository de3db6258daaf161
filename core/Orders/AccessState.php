<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** Whether a buyer can open what they bought. */
enum AccessState: string
{
    case Active = 'active';
    /** Until a payment is made good, or a dispute is over. */
    case Paused = 'paused';
    case Ended = 'ended';

    public function label(): string
    {
        return match ($this) {
            self::Active => 'Open',
            self::Paused => 'Paused',
            self::Ended => 'Ended',
        };
    }
}
