<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Days;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Rate;

/** Reads the numbers: unique visitors, sign-ups and their rate, by funnel, page, email and day. */
final class FunnelNumbers
{
    /**
     * Who came to the entry page of each funnel since a moment, each browser once, and when anything last happened.
     *
     * @param  list<string>  $funnels  ids
     * @return array<string, array{visitors: int, lastActivity: string|null}>
     */
    public function visits(array $funnels, CarbonImmutable $from): array
    {
        $visitors = $this->visitors($funnels, $from);
        // The newest event of each is one look-up in an index, however many events there are.
        $last = DB::table('funnels')->whereIn('id', $funnels)
            ->selectRaw('id, (select max(at) from events where events.funnel_id = funnels.id) as last')->pluck('last', 'id');
        $result = [];
        foreach ($funnels as $id) {
            $result[$id] = ['visitors' => (int) ($visitors[$id] ?? 0), 'lastActivity' => Instant::jsonFromSql($last[$id] ?? null)];
        }

        return $result;
    }

    /**
     * @param  list<string>  $funnels
     * @return array<array-key, mixed> how many by funnel
     */
    private function visitors(array $funnels, CarbonImmutable $from): array
    {
        $entry = DB::table('draft_parts')->whereIn('funnel_id', $funnels)->where('kind', 'page')->whereNull('removed')
            ->where('definition->address', '')->pluck('id');

        return DB::table('events')->whereIn('page_id', $entry)->where('type', EventType::Viewed->value)->where('owner', false)
            ->where('at', '>=', Instant::sql($from))->groupBy('funnel_id')->selectRaw('funnel_id, count(distinct visitor) as n')
            ->pluck('n', 'funnel_id')->all();
    }

    /**
     * Who joined each funnel in the last days, and their share of those who came.
     *
     * @param  list<string>  $funnels  ids
     * @param  list<string>  $days  dates in the owner's zone
     * @param  CarbonImmutable  $from  when the first of them began
     * @return array<string, array{count: int, rate: array<string, int|float|null>, trend: list<int>}>
     */
    public function ofSignups(array $funnels, array $days, CarbonImmutable $from): array
    {
        $byDay = DB::table('counts')->whereIn('funnel_id', $funnels)->where('measure', Measure::Signups->value)
            ->where('day', '>=', $days[0] ?? '')->groupBy('funnel_id', 'day')->selectRaw('funnel_id, day, sum(how_many) as n')->get()
            ->groupBy('funnel_id');
        $visitors = $this->visitors($funnels, $from);
        $result = [];
        foreach ($funnels as $id) {
            $found = $byDay->get($id, collect())->pluck('n', 'day');
            $trend = array_map(fn (string $d): int => (int) ($found[$d] ?? 0), $days);
            $result[$id] = ['count' => array_sum($trend), 'rate' => Rate::of(array_sum($trend), (int) ($visitors[$id] ?? 0))->toArray(),
                'trend' => $trend];
        }

        return $result;
    }

    /**
     * @param  string  $from  a day in the owner's zone; '' for all time
     * @return array<string, array{views: int, visitors: int, signups: int, downloads: int, sales: int, rate: array<string,
     *     int|float|null>}> by page id; visitors are browsers that came for the first time ever
     */
    public function byPage(Funnel $funnel, string $from = ''): array
    {
        $result = [];
        $pages = DB::table('counts')->where('funnel_id', $funnel->id)->where('day', '>=', $from)->groupBy('page_id', 'measure')
            ->selectRaw('page_id, measure, sum(how_many) as n')->get()->groupBy('page_id');
        foreach ($pages as $page => $rows) {
            $of = fn (Measure $measure): int => (int) ($rows->firstWhere('measure', $measure->value)->n ?? 0);
            $result[(string) $page] = ['views' => $of(Measure::Views), 'visitors' => $of(Measure::FirstVisitors),
                'signups' => $of(Measure::Signups),
                'downloads' => $of(Measure::Downloads), 'sales' => $of(Measure::Sales),
                'rate' => Rate::of($of(Measure::Signups), $of(Measure::FirstVisitors))->toArray()];
        }

        return $result;
    }

    /**
     * @param  DateTimeImmutable|null  $since  of what was sent, only that sent since; what waits is as it is now
     * @return array<string, array<string, int>> by email id: how many in each state, and of those sent how many were opened, clicked, and
     *     lost by it
     */
    public function byEmail(Funnel $funnel, ?DateTimeImmutable $since = null): array
    {
        $result = [];
        foreach (DB::table('messages')->where('funnel_id', $funnel->id)->whereNotNull('email_id')
            ->when($since, fn ($q, $since) => $q->where(fn ($q) => $q->whereNull('sent_at')
                ->orWhere('sent_at', '>=', Instant::sql($since))))
            ->groupBy('email_id', 'state')
            ->selectRaw('email_id, state, count(*) as n, count(opened_at) as opened, count(clicked_at) as clicked, count(lost_at) as lost')
            ->get() as $row) {
            $result[$row->email_id][$row->state] = (int) $row->n;
            foreach (['opened', 'clicked', 'lost'] as $what) {
                $result[$row->email_id][$what] = ($result[$row->email_id][$what] ?? 0) + (int) $row->{$what};
            }
        }

        return $result;
    }

    /**
     * @return array<string, array{inside: int, waiting: int}> by sequence id: people who are in it, and those of them for whom an email
     *     still waits
     */
    public function bySequence(Funnel $funnel): array
    {
        $waiting = DB::table('messages')->where('funnel_id', $funnel->id)->whereNotNull('sequence_id')->whereRaw("state = 'waiting'")
            ->groupBy('sequence_id')
            ->selectRaw('sequence_id, count(distinct person_id) as n')->pluck('n', 'sequence_id');

        return DB::table('enrolments')->where('funnel_id', $funnel->id)->whereNull('ended_at')->groupBy('sequence_id')
            ->selectRaw('sequence_id, count(*) as n')->pluck('n', 'sequence_id')
            ->mapWithKeys(fn ($n, $id): array => [(string) $id => ['inside' => (int) $n, 'waiting' => (int) ($waiting[$id] ?? 0)]])->all();
    }

    /**
     * The last so many days of a funnel, whole and day by day.
     *
     * @return array<string, mixed>
     */
    public function period(Funnel $funnel, int $count, DateTimeImmutable $now): array
    {
        $zone = $funnel->business->zone();
        $days = Days::last($count, $now, $zone);
        $from = Instant::sql(new CarbonImmutable($days[0], $zone));
        $pages = DB::table('draft_parts')->where('funnel_id', $funnel->id)->where('kind', 'page')->orderByRaw('removed is not null')
            ->orderBy('position')->get(['id', 'name', 'position']);
        $counts = DB::table('counts')->where('funnel_id', $funnel->id)->where('day', '>=', $days[0])
            ->get(['page_id', 'day', 'measure', 'how_many']);
        $sum = fn (Collection $rows, Measure $measure): int => (int) $rows->where('measure', $measure->value)->sum('how_many');
        // A visitor who comes on three days is one visitor of the period, so days cannot be added up.
        $unique = DB::table('events')->where('type', EventType::Viewed->value)->where('owner', false)->where('at', '>=', $from)
            ->whereIn('page_id', $pages->pluck('id'))->groupBy('page_id')->selectRaw('page_id, count(distinct visitor) as n')
            ->pluck('n', 'page_id');
        $byPage = [];
        foreach ($pages as $page) {
            $rows = $counts->where('page_id', $page->id);
            $visitors = (int) ($unique[$page->id] ?? 0);
            $signups = $sum($rows, Measure::Signups);
            $byPage[] = ['id' => $page->id, 'name' => $page->name, 'views' => $sum($rows, Measure::Views), 'visitors' => $visitors,
                'signups' => $signups,
                'downloads' => $sum($rows, Measure::Downloads), 'sales' => $sum($rows, Measure::Sales),
                'rate' => Rate::of($signups, $visitors)->toArray()];
        }
        $entry = $pages->first()->id ?? '';
        $byDay = [];
        foreach ($days as $day) {
            $rows = $counts->where('day', $day);
            $byDay[] = ['day' => $day, 'views' => $sum($rows, Measure::Views),
                'visitors' => $sum($rows->where('page_id', $entry), Measure::Visitors),
                'signups' => $sum($rows, Measure::Signups)];
        }

        return ['days' => $byDay, 'pages' => $byPage, 'zone' => $funnel->business->timezone, 'sources' => $this->sources($funnel, $from)];
    }

    /** @return list<array{source: string, visitors: int, signups: int, rate: array<string, int|float|null>}> */
    private function sources(Funnel $funnel, string $from): array
    {
        $rows = DB::table('events')->where('funnel_id', $funnel->id)->where('at', '>=', $from)->where('owner', false)
            ->whereIn('type', [EventType::Viewed->value, EventType::Joined->value])
            ->groupBy('source')->selectRaw("coalesce(source, '') as source, count(distinct case when type = 'viewed' then visitor end) "
                ."as visitors, count(distinct case when type = 'joined' then person_id end) as signups")
            ->orderByDesc('visitors')->limit(20)->get();

        return array_values($rows->map(fn ($r): array => ['source' => (string) $r->source, 'visitors' => (int) $r->visitors,
            'signups' => (int) $r->signups,
            'rate' => Rate::of((int) $r->signups, (int) $r->visitors)->toArray()])->all());
    }
}
