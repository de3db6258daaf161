<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftPlan;
use App\Guides\GuideNumbers;
use App\Guides\PersonReading;
use App\Http\Studio\StudioController;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Records\GuideFacts;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\Guide;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\Plan\Plan;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Who reads a guide, and how far. */
final class ReaderController extends StudioController
{
    private const AT_ONCE = 50;

    public function numbers(string $guide): JsonResponse
    {
        [$found, $facts] = $this->guide($guide);

        return response()->json(GuideNumbers::of($found->id, $facts));
    }

    public function index(Request $request, string $guide): JsonResponse
    {
        [$found, $facts] = $this->guide($guide);
        $query = $this->query($request, $found, $facts);
        $page = Input::number($request, 'page', 1, 1, 100_000);
        $total = (clone $query)->reorder()->count();

        return response()->json(['readers' => array_values($query->forPage($page, self::AT_ONCE)->get()
            ->map(fn (\stdClass $r): array => GuideNumbers::reader($r, $facts))->all()), 'total' => $total, 'page' => $page,
            'pages' => max(1, (int) ceil($total / self::AT_ONCE))]);
    }

    public function export(Request $request, string $guide): StreamedResponse
    {
        [$found, $facts] = $this->guide($guide);
        $query = $this->query($request, $found, $facts);

        return response()->streamDownload(function () use ($query, $facts): void {
            echo "\xEF\xBB\xBF".CsvWriter::record('Name', 'Email', 'Began', 'Finished', 'Last read', 'Seconds', 'Sittings',
                'Percent read', 'Last page');
            foreach ($query->cursor() as $row) {
                $r = GuideNumbers::reader($row, $facts);
                echo CsvWriter::record(...array_map(strval(...), [$r['name'], $r['email'], $r['begunAt'], $r['finishedAt'], $r['lastAt'],
                    $r['seconds'], $r['stays'], $r['share'], $r['lastPage']]));
            }
        }, 'readers.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    /** What one person read of all guides. */
    public function ofPerson(string $person): JsonResponse
    {
        $found = $this->person($person);
        $readings = [];
        foreach (DB::table('guide_progress')->where('person_id', $found->id)->orderByDesc('last_at')->pluck('guide_id') as $id) {
            $part = DraftPart::query()->with('funnel.liveVersion')->where('id', (string) $id)->first();
            if ($part !== null) {
                $plan = self::plan($part->funnel, (string) $id);
                $guide = $plan->guide((string) $id);
                $readings[] = $guide === null ? null : PersonReading::of($found->id, $guide->id, GuideFacts::of($plan, $guide), $plan)
                    + ['funnel' => $part->funnel->name, 'funnelId' => $part->funnel_id];
            }
        }

        return response()->json(['readings' => array_values(array_filter($readings))]);
    }

    /** As it is public, or else as it is in the draft. */
    private static function plan(Funnel $funnel, string $guide): Plan
    {
        $live = $funnel->liveVersion?->plan();

        return $live?->guide($guide) !== null ? $live : DraftPlan::read($funnel);
    }

    /** @return array{DraftPart, GuideFacts} */
    private function guide(string $id): array
    {
        $found = $this->draftPart($id, Guide::kind());
        $plan = self::plan($found->funnel->load('liveVersion'), $id);

        return [$found, GuideFacts::of($plan, $plan->guide($id) ?? throw new NotFoundHttpException)];
    }

    private function query(Request $request, DraftPart $guide, GuideFacts $facts): \Illuminate\Database\Query\Builder
    {
        $list = Input::text($request, 'list');
        $search = Input::search($request);

        return GuideNumbers::readers($guide->id, $facts, in_array($list, GuideNumbers::LISTS, true) ? $list : 'all',
            $search === '' ? '' : Input::pattern($search))->where('people.business_id', $this->business()->id);
    }
}
