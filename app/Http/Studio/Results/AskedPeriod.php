<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Support\Input;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\Request;
use Lantern\Core\Results\Period;
use Lantern\Core\Support\Invalid;

/** The time that somebody asks about: from one day to another, or the last so many days. */
final class AskedPeriod
{
    /** Two years. */
    private const MOST = 730;

    /** @throws Invalid for days that are none */
    public static function of(Request $request, DateTimeZone $zone, int $least = 7): Period
    {
        return $request->has('from') || $request->has('to') ? Period::between(Input::text($request, 'from'), Input::text($request, 'to'))
            : Period::last(Input::number($request, 'days', 28, $least, self::MOST), CarbonImmutable::now(), $zone);
    }
}
