<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * From here on, what this process commits is on the disk before it goes on, also if the power fails. Elsewhere the last
 * moments before a power cut may be lost, which is much faster; a payment's key must not be, once somebody is asked for it.
 */
final class Durable
{
    public static function fromHere(): void
    {
        // Within a transaction it cannot be changed: whoever began that has said it before, or is a test.
        if (DB::transactionLevel() === 0) {
            DB::statement('PRAGMA synchronous = FULL');
        }
    }
}
