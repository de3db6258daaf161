<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Experiments\ExperimentResults;
use App\Http\Studio\Json\VersionJson;
use App\Http\Studio\StudioController;
use App\Models\Experiment;
use App\Publishing\SplitTests;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Experiments\Answer;
use Lantern\Core\Experiments\SplitTest;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Split tests: started, watched, ended; and the log of those that were. */
final class SplitTestController extends StudioController
{
    private const MOST = 60;

    public function __construct(private readonly SplitTests $tests)
    {
    }

    /** Those of a funnel, the running ones first. */
    public function index(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $now = CarbonImmutable::now();
        $all = Experiment::query()->with(['business', 'funnel'])->where('funnel_id', $found->id)->orderByRaw('ended_at is not null')
            ->orderByDesc('started_at')->limit(self::MOST)->get()->all();

        return response()->json(['tests' => array_map(fn (Experiment $e): array => (new ExperimentResults($e, $now))->toArray(), $all)]);
    }

    public function start(string $splitTest): JsonResponse
    {
        $row = $this->draftPart($splitTest, SplitTest::kind());
        $version = $this->tests->start($row->funnel, $row, $this->user());

        return response()->json(['version' => VersionJson::of($version, $row->funnel->refresh())], 201);
    }

    public function end(Request $request, string $test): JsonResponse
    {
        $found = $this->experiment($test);
        $winner = Input::text($request, 'winner');
        $this->tests->end($found, $winner === '' ? null : $winner, 'owner', mb_substr(Input::text($request, 'learned'), 0, 2000),
            CarbonImmutable::now());

        return response()->json((new ExperimentResults($found->refresh(), CarbonImmutable::now()))->toArray());
    }

    /** What was learned, which can be written down later as well. */
    public function learned(Request $request, string $test): JsonResponse
    {
        $found = $this->experiment($test);
        $found->forceFill(['learned' => mb_substr(mb_scrub(Input::text($request, 'learned')), 0, 2000)])->save();

        return response()->json(['learned' => $found->learned]);
    }

    /** How many visitors it takes to find a difference of some size, before a test is begun. */
    public function size(Request $request): JsonResponse
    {
        $rate = Input::number($request, 'rate', 300, 1, 900) / 1000;
        $variants = Input::number($request, 'variants', 2, 2, count(SplitTest::LETTERS));

        return response()->json(['sizes' => array_map(fn (int $more): array => ['more' => $more,
            'visitors' => Answer::visitorsToFind($rate, 1 + $more / 100, $variants)], [10, 20, 30, 50])]);
    }

    private function experiment(string $id): Experiment
    {
        return Ids::is($id) ? Experiment::query()->with(['business', 'funnel'])->where('business_id', $this->user()->business_id)
            ->findOrFail($id) : throw new NotFoundHttpException;
    }
}
