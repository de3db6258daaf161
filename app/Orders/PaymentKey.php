<?php

declare(strict_types=1);

namespace App\Orders;

use Illuminate\Support\Str;

/** The key of one payment or refund, made before it is asked for, so that asking twice is asking once. */
final class PaymentKey
{
    public static function fresh(): string
    {
        return 'ul_'.Str::lower(Str::random(32));
    }
}
