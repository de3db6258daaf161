<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Drafts\DraftPlan;
use App\Http\Studio\Funnels\HomeNumbers;
use App\Http\Studio\StudioController;
use App\Models\ResultLink;
use App\Results\FunnelCohorts;
use App\Results\FunnelResults;
use App\Results\PageReading;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
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
        $period = AskedPeriod::of($request, $this->business()->zone());
        $success = fn (Period $of): mixed => $home->of($this->business(), [$found], $of)[$found->id]['success'];

        return response()->json((new FunnelResults($found, $period))->toArray(self::slice($request))
            + ['success' => $success($period), 'successBefore' => $success($period->before())]);
    }

    /** Links by which others may look. */
    public function links(string $funnel): JsonResponse
    {
        return response()->json(['links' => array_values(ResultLink::query()->where('funnel_id', $this->funnel($funnel)->id)
            ->whereNull('ended_at')->orderByDesc('created_at')->get()->map(self::link(...))->all())]);
    }

    public function share(Request $request, string $funnel): JsonResponse
    {
        return response()->json(self::link(ResultLink::query()->create(['funnel_id' => $this->funnel($funnel)->id,
            'key' => bin2hex(random_bytes(20)), 'days' => Input::number($request, 'days', 28, 7, 365)])), 201);
    }

    /** Whoever has the link sees nothing from now on. */
    public function takeBack(string $resultLink): JsonResponse
    {
        $found = Ids::is($resultLink) ? ResultLink::query()->whereHas('funnel', fn ($q) => $q->where('business_id',
            $this->user()->business_id))->findOrFail($resultLink) : throw new NotFoundHttpException;
        $found->forceFill(['ended_at' => $found->ended_at ?? CarbonImmutable::now()])->save();

        return response()->json(['id' => $found->id]);
    }

    /** @return array<string, mixed> */
    private static function link(ResultLink $link): array
    {
        return ['id' => $link->id, 'url' => $link->url(), 'days' => $link->days, 'createdAt' => Instant::json($link->created_at)];
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

        $period = AskedPeriod::of($request, $this->business()->zone());

        return response()->json(PageReading::of($row->funnel, $plan, $period) + ['name' => $plan->name]);
    }

    /** All funnels beside each other. */
    public function all(Request $request, HomeNumbers $home): JsonResponse
    {
        return response()->json((new AllFunnels($this->business(), $home))->toArray(AskedPeriod::of($request, $this->business()->zone())));
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
            // Rules act, and forecasts come, without an event of their own.
            'rule' => (string) DB::table('rule_runs')->where('business_id', $business)->max('acted_at'),
            'forecast' => (string) DB::table('forecasts')->max('made_at').(string) DB::table('forecasts')->max('asked_at'),
            'broadcast' => (string) DB::table('broadcasts')->where('business_id', $business)->max('updated_at'),
        ]);
    }

    /** Of whom: `first:…`, `last:…`, `device:…`, `known:…`; everybody where that says nothing. */
    private static function slice(Request $request): string
    {
        $slice = mb_substr(mb_scrub(Input::text($request, 'of')), 0, 80);

        return preg_match('/^(first|last|device|known):/', $slice) === 1 ? $slice : '';
    }
}
