<?php

declare(strict_types=1);

namespace App\Guides;

use App\Records\GuideFacts;
use App\Support\Instant;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\ReadingCurve;
use Lantern\Core\Statistics\Median;

/** How a guide is read: how many began and finished it, for how long, where they stop, what they come back to, and by whom. */
final class GuideNumbers
{
    /** The ways in which readers are listed, by how far they have come. */
    public const LISTS = ['all', 'reading', 'finished', 'not-begun'];

    /** @return array<string, mixed> */
    public static function of(string $guide, GuideFacts $facts): array
    {
        $given = self::given($facts)->count();
        $readers = DB::table('guide_progress')->join('people', 'people.id', '=', 'guide_progress.person_id')->where('guide_id', $guide)
            ->where('owner_try', false)->whereNotNull('begun_at')->get(['person_id', 'finished_at', 'seconds']);
        $seen = [];
        $times = $counts = [];
        foreach (DB::table('guide_pages_seen')->join('people', 'people.id', '=', 'guide_pages_seen.person_id')->where('guide_id', $guide)
            ->where('owner_try', false)->get(['person_id', 'page_id', 'guide_pages_seen.seconds', 'stays', 'read_at']) as $row) {
            $page = (string) $row->page_id;
            $seen[(string) $row->person_id][] = $page;
            $times[$page][] = (int) $row->seconds;
            $counts[$page]['read'] = ($counts[$page]['read'] ?? 0) + ($row->read_at === null ? 0 : 1);
            $counts[$page]['again'] = ($counts[$page]['again'] ?? 0) + ($row->stays > 1 ? 1 : 0);
        }
        $curve = ReadingCurve::of($facts->ids(),
            array_values(array_map(fn (object $r): array => $seen[(string) $r->person_id] ?? [], $readers->all())));

        return ['given' => max($given, count($readers)), 'begun' => count($readers),
            'finished' => $readers->whereNotNull('finished_at')->count(),
            'median' => Median::of(array_values(array_map(fn (object $r): int => (int) $r->seconds, $readers->all()))),
            'pages' => array_map(fn (string $id): array => ['id' => $id, 'name' => $facts->names[$id],
                'reached' => $curve->reached[$id] ?? 0, 'seen' => count($times[$id] ?? []), 'read' => $counts[$id]['read'] ?? 0,
                'again' => $counts[$id]['again'] ?? 0, 'median' => Median::of($times[$id] ?? [])], $facts->ids()),
            'stop' => $curve->stop(), 'least' => ReadingCurve::LEAST];
    }

    /** People who may read it. */
    private static function given(GuideFacts $facts): Builder
    {
        return DB::table('people')->whereNull('erased_at')->where('owner_try', false)->whereIn('people.id', DB::table('deliveries')
            ->whereIn('lead_magnet_id', $facts->leadMagnets)->whereNull('revoked_at')->select('person_id'));
    }

    /** Readers and those who may read and have not begun, as a query: who came farthest first, and of these who read last. */
    public static function readers(string $guide, GuideFacts $facts, string $list, string $pattern): Builder
    {
        return DB::table('people')->leftJoin('guide_progress', fn ($join) => $join->on('guide_progress.person_id', '=', 'people.id')
            ->where('guide_progress.guide_id', '=', $guide))->whereNull('erased_at')->where('owner_try', false)
            ->where(fn (Builder $q) => $q->whereNotNull('begun_at')->orWhereIn('people.id', self::given($facts)->select('people.id')))
            ->when($list === 'finished', fn (Builder $q) => $q->whereNotNull('finished_at'))
            ->when($list === 'reading', fn (Builder $q) => $q->whereNotNull('begun_at')->whereNull('finished_at'))
            ->when($list === 'not-begun', fn (Builder $q) => $q->whereNull('begun_at'))
            ->when($pattern !== '', fn (Builder $q) => $q->whereRaw("found_by like ? escape '\\'", [$pattern]))
            ->orderByRaw('finished_at is null')->orderByRaw('coalesce(share, -1) desc')->orderByDesc('guide_progress.last_at')
            ->orderBy('people.id')->select(['people.id', 'first_name', 'last_name', 'email', 'joined_at', 'begun_at', 'finished_at',
                'guide_progress.last_at', 'last_page', 'seconds', 'stays', 'share']);
    }

    /** @return array{id: string, name: string, email: string, begunAt: string|null, finishedAt: string|null, lastAt: string|null,
     *     lastPage: string, seconds: int, stays: int, share: int} a row of {@see readers()} as the Studio reads it */
    public static function reader(\stdClass $row, GuideFacts $facts): array
    {
        $name = trim("{$row->first_name} {$row->last_name}");

        return ['id' => (string) $row->id, 'name' => $name, 'email' => (string) $row->email,
            'begunAt' => Instant::jsonFromSql($row->begun_at),
            'finishedAt' => Instant::jsonFromSql($row->finished_at), 'lastAt' => Instant::jsonFromSql($row->last_at),
            'lastPage' => $facts->names[(string) $row->last_page] ?? '', 'seconds' => (int) $row->seconds, 'stays' => (int) $row->stays,
            'share' => (int) $row->share];
    }
}
