<?php

declare(strict_types=1);

namespace App\Orders;

use Illuminate\Support\Facades\DB;
use LogicException;

/** Numbers without gaps: one is taken in the transaction that uses it, so one that is not used is not taken. */
final class NumberSeries
{
    /** Call it within a transaction. */
    public static function next(int $business, string $series): int
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('A number is taken in the transaction that uses it.');
        }
        DB::table('number_series')->insertOrIgnore(['business_id' => $business, 'series' => $series, 'last' => 0]);
        DB::table('number_series')->where('business_id', $business)->where('series', $series)->increment('last');

        return (int) DB::table('number_series')->where('business_id', $business)->where('series', $series)->value('last');
    }
}
