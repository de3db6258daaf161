<?php

declare(strict_types=1);

namespace App\Results;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\MonthlyReading;
use Lantern\Core\Results\Period;
use stdClass;

/**
 * Adds the counts up, by months where they are added up already. Of whoever is counted once a period those pieces count whose day before
 * lies outside of it.
 */
final class CountReader
{
    /** More different sources than anybody can read. */
    private const MOST_SLICES = 2000;

    /**
     * @param  list<string>  $funnels
     * @return array<string, array<string, CountSums>> by funnel and page; '' is the funnel as a whole
     */
    public static function byPage(array $funnels, Period $period, string $slice = ''): array
    {
        $result = [];
        foreach (self::read($funnels, $period, [$slice]) as $row) {
            $sums = $result[(string) $row->funnel_id][(string) $row->page_id] ??= new CountSums;
            $sums->add($row);
        }

        return $result;
    }

    /**
     * @param  string  $axis  such as `first`, `device`
     * @return array<string, array<string, CountSums>> by its value and page
     */
    public static function byAxis(string $funnel, Period $period, string $axis): array
    {
        $result = [];
        // By name, so that of each only the days of the period are read.
        foreach (self::read([$funnel], $period, self::slices($funnel, $axis)) as $row) {
            $sums = $result[substr((string) $row->slice, strlen($axis) + 1)][(string) $row->page_id] ??= new CountSums;
            $sums->add($row);
        }

        return $result;
    }

    /** @return list<string> the slices of an axis, found one after the other in the index */
    private static function slices(string $funnel, string $axis): array
    {
        $next = fn (string $after): string => "select min(slice) from counts where funnel_id = ? and slice {$after} and slice < ?";
        $rows = DB::select("with recursive found(slice) as ({$next('>= ?')} union all select ({$next('> found.slice')}) from found "
            .'where found.slice is not null limit '.self::MOST_SLICES.') select slice from found where slice is not null',
            [$funnel, "{$axis}:", "{$axis};", $funnel, "{$axis};"]);

        return array_values(array_map(strval(...), array_column($rows, 'slice')));
    }

    /**
     * Each day by itself: who comes on two days is counted on both.
     *
     * @param  list<string>  $funnels
     * @return array<string, array<string, CountSums>> by funnel and day, of all pages together
     */
    public static function byDay(array $funnels, Period $period, string $slice = ''): array
    {
        $result = [];
        foreach (DB::table('counts')->whereIn('funnel_id', $funnels)->where('slice', $slice)
            ->whereBetween('day', [$period->from, $period->to])
            ->where(fn (Builder $q) => $q->where('page_id', '')->orWhere('measure', '!=', Measure::Visitors->value))
            ->groupBy('funnel_id', 'day', 'measure', 'currency')
            ->selectRaw('funnel_id, day, measure, currency, sum(how_many) as n, sum(how_much) as amount')->cursor() as $row) {
            $sums = $result[(string) $row->funnel_id][(string) $row->day] ??= new CountSums;
            $sums->add($row);
        }

        return $result;
    }

    /**
     * Whole months as they were added up, and the days beside them; sums of both, that are still to be added to each other.
     *
     * @param  list<string>  $funnels
     * @param  list<string>  $slices
     * @return iterable<stdClass> funnel_id, slice, page_id, measure, currency, n and amount
     */
    private static function read(array $funnels, Period $period, array $slices): iterable
    {
        $reading = MonthlyReading::of($period, CountMonths::built($funnels, $period));
        $days = fn (string $table = 'counts'): Builder => DB::table(DB::raw($table))->whereIn('funnel_id', $funnels);
        $parts = array_map(fn (array $d): Builder => $days()->whereBetween('day', $d)->where('before', '<', $period->from), $reading->days);
        if ($reading->months !== []) {
            $parts[] = $days('month_counts')->whereIn('month', $reading->months)->where('before', '<', $reading->before);
        }
        if ($reading->early !== null) {
            $parts[] = $days('counts indexed by counts_before')->whereBetween('before', $reading->early)->whereRaw("before <> ''")
                ->whereBetween('day', $reading->span())->whereIn(DB::raw('substr(day, 1, 7)'), $reading->months);
        }
        foreach ($parts as $part) {
            yield from $part->whereIn('slice', $slices)->groupBy('funnel_id', 'slice', 'page_id', 'measure', 'currency')
                ->selectRaw('funnel_id, slice, page_id, measure, currency, sum(how_many) as n, sum(how_much) as amount')->cursor();
        }
    }

    /**
     * Of all pages together: who came to any of them is counted once, all else is added up.
     *
     * @param  array<string, CountSums>  $byPage
     */
    public static function whole(array $byPage): CountSums
    {
        $whole = new CountSums;
        foreach ($byPage as $page => $sums) {
            $whole->plus($sums, $page === '' ? null : Measure::Visitors);
        }

        return $whole;
    }
}
