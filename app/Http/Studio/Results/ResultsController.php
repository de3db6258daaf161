<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Drafts\DraftPlan;
use App\Http\Studio\Funnels\HomeNumbers;
use App\Http\Studio\StudioController;
use App\Results\FunnelCohorts;
use App\Results\FunnelResults;
use App\Results\PageReading;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Success;
use Lantern\Core\Results\Period;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

final class ResultsController extends StudioController
{
    public function show(Request $request, string $funnel, HomeNumbers $home): JsonResponse
    {
        $found = $this->funnel($funnel);
        $period = $this->period($request);
        $success = fn (Period $of): mixed => $home->of($this->business(), [$found], $of)[$found->id]['success'];

        return response()->json((new FunnelResults($found, $period))->toArray(self::slice($request))
            + ['success' => $success($period), 'successBefore' => $success($period->before())]);
    }

    /** What came of those who joined in each week. */
    public function cohorts(string $funnel): JsonResponse
    {
        return response()->json(['cohorts' => FunnelCohorts::of($this->funnel($funnel), CarbonImmutable::now())]);
    }

    /** How far people read on a page, and which of its buttons they press. */
    public function reading(Request $request, string $page): JsonResponse
    {
        $row = $this->draftPart($page, PagePlan::kind());
        $plan = DraftPlan::read($row->funnel)->page($row->id) ?? throw new NotFoundHttpException;

        return response()->json(PageReading::of($row->funnel, $plan, $this->period($request)) + ['name' => $plan->name]);
    }

    /** All funnels beside each other. */
    public function all(Request $request, HomeNumbers $home): JsonResponse
    {
        return response()->json((new AllFunnels($this->business(), $home))->toArray($this->period($request)));
    }

    /** What the funnel is judged by, from now on and for all that was. */
    public function judge(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $by = Success::tryFrom(Input::text($request, 'by'));
        if ($by === null) {
            throw Invalid::at('by', 'Please choose what this funnel is for.');
        }
        $found->forceFill(['judged_by' => $by->value])->save();

        return response()->json(['by' => $by->value]);
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

    /** From one day to another, or the last so many. */
    private function period(Request $request): Period
    {
        if ($request->has('from') || $request->has('to')) {
            return Period::between(Input::text($request, 'from'), Input::text($request, 'to'));
        }

        return Period::last(Input::number($request, 'days', 28, 7, 730), CarbonImmutable::now(), $this->business()->zone());
    }

    /** Of whom: `first:…`, `last:…`, `device:…`, `known:…`; everybody where that says nothing. */
    private static function slice(Request $request): string
    {
        $slice = mb_substr(mb_scrub(Input::text($request, 'of')), 0, 80);

        return preg_match('/^(first|last|device|known):/', $slice) === 1 ? $slice : '';
    }
}
