<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Rate;

/** Reads the numbers: unique visitors, sign-ups and their rate, by funnel, page, email and day. */
final class FunnelNumbers
{
    /**
     * Who came to each funnel, each browser once, and when anything last happened.
     *
     * @param  list<string>  $funnels  ids
     * @return array<string, array{visitors: int, lastActivity: string|null}>
     */
    public function visits(array $funnels, Period $period): array
    {
        $sums = CountReader::byPage($funnels, $period);
        // The newest event of each is one look-up in an index, however many events there are.
        $last = DB::table('funnels')->whereIn('id', $funnels)
            ->selectRaw('id, (select max(at) from events where events.funnel_id = funnels.id) as last')->pluck('last', 'id');
        $result = [];
        foreach ($funnels as $id) {
            $result[$id] = ['visitors' => CountReader::whole($sums[$id] ?? [])->of(Measure::Visitors),
                'lastActivity' => Instant::jsonFromSql($last[$id] ?? null)];
        }

        return $result;
    }

    /**
     * Who joined each funnel in the last days, and their share of those who came.
     *
     * @param  list<string>  $funnels  ids
     * @return array<string, array{count: int, rate: array<string, int|float|null>, trend: list<int>}>
     */
    public function ofSignups(array $funnels, Period $period): array
    {
        $visitors = CountReader::byPage($funnels, $period);
        $byDay = CountReader::byDay($funnels, $period);
        $result = [];
        foreach ($funnels as $id) {
            $trend = array_map(fn (string $d): int => ($byDay[$id][$d] ?? null)?->of(Measure::Signups) ?? 0, $period->days());
            $result[$id] = ['count' => array_sum($trend), 'rate' => Rate::of(array_sum($trend),
                CountReader::whole($visitors[$id] ?? [])->of(Measure::Visitors))->toArray(), 'trend' => $trend];
        }

        return $result;
    }

    /**
     * @param  string  $from  a day in the owner's zone; '' for all time
     * @return array<string, array{views: int, visitors: int, signups: int, downloads: int, sales: int, rate: array<string,
     *     int|float|null>}> by page id
     */
    public function byPage(Funnel $funnel, string $from = ''): array
    {
        $period = $from === '' ? Period::ever() : Period::since($from);
        $result = [];
        foreach (CountReader::byPage([$funnel->id], $period)[$funnel->id] ?? [] as $page => $sums) {
            $of = $sums->of(...);
            $result[$page] = ['views' => $of(Measure::Views), 'visitors' => $of(Measure::Visitors), 'signups' => $of(Measure::Signups),
                'downloads' => $of(Measure::Downloads), 'sales' => $of(Measure::Sales),
                'rate' => Rate::of($of(Measure::Signups), $of(Measure::Visitors))->toArray()];
        }
        unset($result['']);

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
}
