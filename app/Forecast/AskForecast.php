<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Models\Funnel;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Has a forecast made, unless one is being made. */
final class AskForecast
{
    /** Minutes after which a forecast that is being made was lost. */
    private const LOST = 15;

    public static function of(Funnel $funnel): void
    {
        $now = CarbonImmutable::now();
        DB::table('forecasts')->insertOrIgnore(['funnel_id' => $funnel->id]);
        $asked = DB::table('forecasts')->where('funnel_id', $funnel->id)
            ->where(fn ($q) => $q->whereNull('asked_at')->orWhere('asked_at', '<', Instant::sql($now->subMinutes(self::LOST))))
            ->update(['asked_at' => Instant::sql($now), 'failed' => false]);
        if ($asked === 1) {
            MakeForecast::dispatch($funnel->id);
        }
    }
}
