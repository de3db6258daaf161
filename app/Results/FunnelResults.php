<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Rate;
use stdClass;

/** What happened in a funnel in a period: page by page, day by day, and by where people came from; beside the period before. */
final readonly class FunnelResults
{
    public function __construct(private Funnel $funnel, private Period $period)
    {
    }

    /**
     * @param  string  $slice  of whom; '' for all
     * @return array<string, mixed>
     */
    public function toArray(string $slice = ''): array
    {
        $now = CountReader::byPage([$this->funnel->id], $this->period, $slice)[$this->funnel->id] ?? [];
        $before = CountReader::byPage([$this->funnel->id], $this->period->before(), $slice)[$this->funnel->id] ?? [];
        $byDay = CountReader::byDay([$this->funnel->id], $this->period, $slice)[$this->funnel->id] ?? [];
        // A page that leads nowhere is the end of the way: there nobody can go on, and nobody is lost.
        $leading = DB::table('ways')->where('funnel_id', $this->funnel->id)->pluck('page_id', 'page_id')->all();

        return ['from' => $this->period->from, 'to' => $this->period->to, 'zone' => $this->funnel->business->timezone,
            'currency' => $this->currency()->code, 'decimals' => $this->currency()->decimals,
            'whole' => $this->numbers(CountReader::whole($now)), 'before' => $this->numbers(CountReader::whole($before)),
            // Of a day only what its chart and its table show: there may be hundreds of them.
            'days' => array_map(fn (string $day): array => ['day' => $day] + self::ofDay($byDay[$day] ?? new CountSums),
                $this->period->days()),
            'steps' => array_map(fn (stdClass $page): array => ['id' => $page->id, 'name' => $page->name, 'gone' => (bool) $page->gone,
                'end' => ! isset($leading[$page->id]) && ($now[$page->id] ?? new CountSums)->of(Measure::WentOn) === 0]
                + $this->numbers($now[$page->id] ?? new CountSums)
                + ['before' => $this->numbers($before[$page->id] ?? new CountSums)], $this->pages($now)),
            'sources' => ['first' => $this->byAxis('first'), 'last' => $this->byAxis('last')],
            'devices' => $this->byAxis('device'), 'known' => $this->byAxis('known')];
    }

    /**
     * @param  array<string, CountSums>  $counted
     * @return list<stdClass> the pages in their order; one that was removed only where somebody was on it
     */
    private function pages(array $counted): array
    {
        return array_values(DB::table('draft_parts')->where('funnel_id', $this->funnel->id)->where('kind', 'page')
            ->orderByRaw('removed is not null')->orderBy('position')
            ->get(['id', 'name', DB::raw('removed is not null as gone')])
            ->filter(fn (stdClass $p): bool => ! (bool) $p->gone || isset($counted[$p->id]))->all());
    }

    /** @return array{views: int, visitors: int, signups: int, orders: int} */
    private static function ofDay(CountSums $sums): array
    {
        return ['views' => $sums->of(Measure::Views), 'visitors' => $sums->of(Measure::Visitors), 'signups' => $sums->of(Measure::Signups),
            'orders' => $sums->of(Measure::Orders)];
    }

    /** @return array<string, mixed> */
    private function numbers(CountSums $sums): array
    {
        $visitors = $sums->of(Measure::Visitors);
        $went = $sums->of(Measure::WentOn);
        $net = $sums->net();
        $money = $net[$this->currency()->code] ?? 0;

        return ['views' => $sums->of(Measure::Views), 'visitors' => $visitors, 'wentOn' => $went, 'left' => max(0, $visitors - $went),
            'goingOn' => Rate::of(min($visitors, $went), $visitors)->toArray(), 'seconds' => $sums->took(),
            'clicks' => $sums->of(Measure::Clicks),
            'signups' => $sums->of(Measure::Signups),
            'signupRate' => Rate::of(min($visitors, $sums->of(Measure::Signups)), $visitors)->toArray(),
            'asked' => $sums->of(Measure::Asked), 'confirmed' => $sums->of(Measure::Confirmed),
            'confirmRate' => Rate::of(min($sums->of(Measure::Confirmed), $sums->of(Measure::Asked)), $sums->of(Measure::Asked))->toArray(),
            'downloads' => $sums->of(Measure::Downloads),
            'attended' => $sums->of(Measure::Attended), 'unsubscribed' => $sums->of(Measure::Unsubscribed),
            'sales' => $sums->of(Measure::Sales), 'orders' => $sums->of(Measure::Orders),
            'saleRate' => Rate::of(min($visitors, $sums->of(Measure::Sales)), $visitors)->toArray(),
            'orderRate' => Rate::of(min($visitors, $sums->of(Measure::Orders)), $visitors)->toArray(),
            'net' => $money, 'revenue' => MoneyWords::all($net, $this->funnel->business->locale),
            'refunds' => $sums->of(Measure::Refunded), 'refunded' => MoneyWords::all($sums->money(Measure::Refunded),
                $this->funnel->business->locale),
            'perVisitor' => $visitors === 0 || $net === [] ? '' : MoneyWords::one(intdiv($money, $visitors), $this->currency()->code,
                $this->funnel->business->locale),
            'otherMoney' => array_diff_key($net, [$this->currency()->code => 0]) !== []];
    }

    /** @return list<array<string, mixed>> the most visited first */
    private function byAxis(string $axis): array
    {
        $rows = [];
        foreach (CountReader::byAxis($this->funnel->id, $this->period, $axis) as $value => $byPage) {
            $rows[] = ['value' => (string) $value] + $this->numbers(CountReader::whole($byPage));
        }
        usort($rows, fn (array $a, array $b): int => [$b['visitors'], $b['net'], $a['value']] <=> [$a['visitors'], $a['net'], $b['value']]);

        return array_slice($rows, 0, 50);
    }

    private function currency(): Currency
    {
        return Currency::of($this->funnel->currency ?? $this->funnel->business->currency);
    }
}
