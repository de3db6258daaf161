<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Http\Studio\Funnels\HomeNumbers;
use App\Http\Studio\StudioController;
use App\Results\FunnelNumbers;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

final class ResultsController extends StudioController
{
    public function show(Request $request, string $funnel, FunnelNumbers $numbers, HomeNumbers $home): JsonResponse
    {
        $found = $this->funnel($funnel);
        $days = Input::number($request, 'days', 28, 7, 400);
        $now = CarbonImmutable::now();

        return response()->json($numbers->period($found, $days, $now)
            + ['success' => $home->lastDays($this->business(), [$found], $now, $days)[$found->id]['success']]);
    }

    /** What changes when there is news, so that an open screen knows when to look again. */
    public function pulse(): JsonResponse
    {
        $business = $this->user()->business_id;

        return response()->json([
            'event' => (int) DB::table('events')->where('business_id', $business)->max('id'),
            'message' => (string) DB::table('messages')->where('business_id', $business)->max('updated_at'),
            'broadcast' => (string) DB::table('broadcasts')->where('business_id', $business)->max('updated_at'),
        ]);
    }
}
