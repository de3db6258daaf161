<?php

declare(strict_types=1);

namespace App\Results;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;

/** Adds the counts up. Of whoever is counted once a period those pieces count whose day before lies outside of it. */
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
        foreach (self::rows($funnels, $period)->where('slice', $slice)->groupBy('funnel_id', 'page_id', 'measure', 'currency')
            ->selectRaw('funnel_id, page_id, measure, currency, sum(how_many) as n, sum(how_much) as amount')->cursor() as $row) {
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
        foreach (self::rows([$funnel], $period)->whereIn('slice', self::slices($funnel, $axis))
            ->groupBy('slice', 'page_id', 'measure', 'currency')
            ->selectRaw('slice, page_id, measure, currency, sum(how_many) as n, sum(how_much) as amount')->cursor() as $row) {
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

    /** @param  list<string>  $funnels */
    private static function rows(array $funnels, Period $period): Builder
    {
        return DB::table('counts')->whereIn('funnel_id', $funnels)->whereBetween('day', [$period->from, $period->to])
            ->where('before', '<', $period->from);
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
