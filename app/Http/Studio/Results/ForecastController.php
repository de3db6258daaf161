<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Forecast\AskForecast;
use App\Http\Studio\StudioController;
use App\Support\Instant;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\FunnelState;

/** What the next eight weeks of a funnel bring, as it was reckoned last. */
final class ForecastController extends StudioController
{
    public function show(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $row = DB::table('forecasts')->where('funnel_id', $found->id)->first();
        $result = $row === null ? null : json_decode((string) $row->result, true);

        return response()->json(['live' => $found->state === FunnelState::Live, 'making' => ($row->asked_at ?? null) !== null,
            'failed' => (bool) ($row->failed ?? false), 'madeAt' => Instant::jsonFromSql($row->made_at ?? null),
            'result' => is_array($result) ? $result : null]);
    }

    public function make(string $funnel): JsonResponse
    {
        AskForecast::of($this->funnel($funnel));

        return response()->json(['making' => true], 202);
    }
}
