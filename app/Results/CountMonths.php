<?php

declare(strict_types=1);

namespace App\Results;

use App\Support\DueWork;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Results\Period;

/**
 * The counts of months that are over, added up from those of their days, so that a year is not read day by day. A month in which
 * something is counted late is read by its days until it is added up again.
 */
final readonly class CountMonths implements DueWork
{
    public const KEY = ['funnel_id', 'slice', 'month', 'page_id', 'measure', 'before', 'currency'];

    /**
     * The months of a period that can be read whole, in order.
     *
     * @param  list<string>  $funnels
     * @return list<string> YYYY-MM
     */
    public static function built(array $funnels, Period $period): array
    {
        return array_values(array_map(strval(...), DB::table('counted_months')->whereIn('funnel_id', $funnels)
            ->whereBetween('month', [substr($period->from, 0, 7), substr($period->to, 0, 7)])->groupBy('month')->havingRaw('min(built) = 1')
            ->orderBy('month')->pluck('month')->all()));
    }

    /**
     * Something is counted in these months: what was added up of them holds no more.
     *
     * @param  array<string, array{string, string}>  $months  funnel and month, each once
     */
    public static function touch(array $months): void
    {
        foreach ($months as [$funnel, $month]) {
            DB::statement('insert into counted_months (funnel_id, month, built) values (?, ?, 0)
                on conflict (funnel_id, month) do update set built = 0 where built = 1', [$funnel, $month]);
        }
    }

    public function task(): Task
    {
        return Task::Counts;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $waiting = DB::table('counted_months')->where('built', false)->min('month');
        $over = self::over($now);

        return match (true) {
            $waiting === null => null,
            (string) $waiting < $over => $now,
            default => CarbonImmutable::parse("{$over}-01", 'UTC')->addMonth()->addHours(self::LATE),
        };
    }

    /** The zone whose days end last is so many hours behind UTC: a month is over when it is over there. */
    private const LATE = 12;

    /** @return string the first month that is not over everywhere yet */
    private static function over(CarbonImmutable $now): string
    {
        return $now->utc()->subHours(self::LATE)->format('Y-m');
    }

    public function work(CarbonImmutable $now): int
    {
        $waiting = DB::table('counted_months')->where('built', false)->where('month', '<', self::over($now))->orderBy('funnel_id')
            ->orderBy('month')->get(['funnel_id', 'month']);
        foreach ($waiting as $row) {
            $this->build((string) $row->funnel_id, (string) $row->month);
        }

        return count($waiting);
    }

    private function build(string $funnel, string $month): void
    {
        DB::transaction(function () use ($funnel, $month): void {
            $of = ['funnel_id' => $funnel, 'month' => $month];
            // Written first, so that nothing is counted between what is read and what is marked.
            DB::table('counted_months')->where($of)->update(['built' => true]);
            DB::table('month_counts')->where($of)->delete();
            DB::statement('insert into month_counts (funnel_id, slice, month, page_id, measure, before, currency, how_many, how_much)
                select funnel_id, slice, ?, page_id, measure, substr(before, 1, 7), currency, sum(how_many), sum(how_much) from counts
                where funnel_id = ? and day between ? and ? and before < ?
                group by slice, page_id, measure, substr(before, 1, 7), currency',
                [$month, $funnel, "{$month}-01", "{$month}-31", "{$month}-01"]);
        });
    }
}
