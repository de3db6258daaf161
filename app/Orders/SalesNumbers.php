<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Business;
use App\Models\Funnel;
use App\Results\CountReader;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Results\Days;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use stdClass;

/**
 * Sales and money, read from the facts of orders. Revenue is what was paid less what was paid back, on the day it moved.
 * Money of several currencies is never added up. What the owner tried counts nowhere.
 */
final class SalesNumbers
{
    /**
     * A period of a funnel, or of all where none is named.
     *
     * @return array{sums: list<array<string, mixed>>, days: list<array<string, mixed>>, extras: list<array<string, mixed>>}
     */
    public function period(Business $business, ?Funnel $funnel, Period $period): array
    {
        $within = self::within($period, $business);

        return ['sums' => $this->sums($business, $funnel, $period, $within),
            'days' => $this->byDay($business, $funnel, $within, $period->days()),
            'extras' => $funnel === null ? [] : (new ExtraNumbers)->counted($funnel, $within)];
    }

    /** @return array{string, string} its first and its last moment, as they are stored */
    private static function within(Period $period, Business $business): array
    {
        return [Instant::sql($period->begins($business->zone())),
            Instant::sql($period->ends($business->zone())->modify('-1 millisecond'))];
    }

    /**
     * What was bought in each funnel in a period, and what came in less what went back.
     *
     * @param  list<string>  $funnels  ids
     * @return array<string, array{count: int, revenue: string, minor: int, trend: list<int>}> `revenue` names each currency; `minor` is
     *     that of the one with the most of it
     */
    public function byFunnel(array $funnels, Period $period, Business $business): array
    {
        $from = $period->begins($business->zone());
        $within = self::within($period, $business);
        $days = $period->days();
        $orders = DB::table('orders')->whereIn('funnel_id', $funnels)->where('owner', false)->whereBetween('bought_at', $within)
            ->get(['funnel_id', 'bought_at'])->groupBy('funnel_id');
        $money = DB::table('order_facts')->whereIn('funnel_id', $funnels)->where('owner', false)->whereBetween('at', $within)
            ->whereIn('type', [FactType::Paid->value, FactType::Refunded->value])->groupBy('funnel_id', 'currency')
            ->selectRaw('funnel_id, currency, sum(case when type = ? then amount else -amount end) as net', [FactType::Paid->value])
            ->orderByDesc('net')->get()->groupBy('funnel_id');
        $result = [];
        foreach ($funnels as $id) {
            $theirs = $orders->get($id, collect());
            $byDay = $theirs->countBy(fn (stdClass $o): string => Days::of(Instant::carbon($o->bought_at) ?? $from,
                $business->zone()));
            $sums = $money->get($id, collect());
            $result[$id] = ['count' => $theirs->count(), 'revenue' => $sums->map(fn (stdClass $m): string => Money::of((int) $m->net,
                Currency::of((string) $m->currency))->words($business->locale))->implode(' + '),
                'minor' => (int) ($sums->first()->net ?? 0),
                'trend' => array_map(fn (string $d): int => (int) ($byDay[$d] ?? 0), $days)];
        }

        return $result;
    }

    /**
     * @param  array{string, string}  $within
     * @return list<array<string, mixed>> by currency: sales, revenue, average order, revenue per visitor
     */
    private function sums(Business $business, ?Funnel $funnel, Period $period, array $within): array
    {
        $orders = $this->orders($business, $funnel)->whereBetween('bought_at', $within)->groupBy('currency')
            ->selectRaw('currency, count(*) as n')->pluck('n', 'currency');
        $money = $this->facts($business, $funnel, $within)->groupBy('currency', 'type')->selectRaw('currency, type, sum(amount) as amount')
            ->get();
        $visitors = $funnel === null ? 0 : CountReader::whole(CountReader::byPage([$funnel->id], $period)[$funnel->id]
            ?? [])->of(Measure::Visitors);
        $result = [];
        foreach ($money->pluck('currency')->merge($orders->keys())->unique()->sort() as $code) {
            $currency = Currency::of((string) $code);
            $of = fn (FactType $type): int => (int) $money->where('currency', $code)->where('type', $type->value)->sum('amount');
            $net = Money::of($of(FactType::Paid) - $of(FactType::Refunded), $currency);
            $sales = (int) ($orders[$code] ?? 0);
            $words = fn (Money $sum): string => $sum->words($business->locale);
            $result[] = ['currency' => $currency->code, 'orders' => $sales, 'revenue' => $words($net),
                'paid' => $words(Money::of($of(FactType::Paid), $currency)),
                'refunded' => $words(Money::of($of(FactType::Refunded), $currency)),
                'average' => $sales === 0 ? '–' : $words($net->share(1, $sales)),
                'perVisitor' => $visitors === 0 ? '–' : $words($net->share(1, $visitors)), 'visitors' => $visitors,
                'minor' => $net->minor, 'decimals' => $currency->decimals];
        }

        return $result;
    }

    /**
     * @param  array{string, string}  $within
     * @param  list<string>  $days
     * @return list<array{day: string, orders: int, revenue: array<string, int>}> revenue in smallest units, by currency
     */
    private function byDay(Business $business, ?Funnel $funnel, array $within, array $days): array
    {
        $zone = $business->zone();
        $orders = $revenue = [];
        // Where each day begins on the owner's clocks: what comes in the order of time is put into days by comparing alone.
        $starts = array_map(fn (string $day): string => Instant::sql(new CarbonImmutable($day, $zone)), $days);
        $i = 0;
        $dayOf = function (string $at) use ($days, $starts, &$i): string {
            $i = $at < $starts[$i] ? 0 : $i;
            while (isset($starts[$i + 1]) && $at >= $starts[$i + 1]) {
                $i++;
            }

            return $days[$i];
        };
        foreach ($this->facts($business, $funnel, $within)->orderBy('at')->select('at', 'currency', 'type', 'amount')->cursor() as $fact) {
            [$day, $currency] = [$dayOf((string) $fact->at), (string) $fact->currency];
            $moved = ($fact->type === FactType::Refunded->value ? -1 : 1) * (int) $fact->amount;
            $revenue[$day][$currency] = ($revenue[$day][$currency] ?? 0) + $moved;
        }
        foreach ($this->orders($business, $funnel)->whereBetween('bought_at', $within)->orderBy('bought_at')->pluck('bought_at') as $at) {
            $day = $dayOf((string) $at);
            $orders[$day] = ($orders[$day] ?? 0) + 1;
        }

        return array_map(fn (string $day): array => ['day' => $day, 'orders' => $orders[$day] ?? 0, 'revenue' => $revenue[$day] ?? []],
            $days);
    }

    /** @return list<array{currency: string, orders: int, revenue: string}> what somebody has bought, by currency */
    public function ofPerson(Business $business, string $person): array
    {
        return array_values(DB::table('orders')->where('business_id', $business->id)->where('person_id', $person)
            ->whereNotNull('bought_at')->groupBy('currency')
            ->orderBy('currency')
            ->selectRaw('currency, count(*) as n, sum(paid) - sum(refunded) as net')->get()
            ->map(fn (object $r): array => ['currency' => (string) $r->currency, 'orders' => (int) $r->n,
                'revenue' => Money::of((int) $r->net, Currency::of((string) $r->currency))->words($business->locale)])->all());
    }

    private function orders(Business $business, ?Funnel $funnel): Builder
    {
        return DB::table('orders')->where('business_id', $business->id)->where('owner', false)->whereNotNull('bought_at')
            ->when($funnel !== null, fn (Builder $q) => $q->where('funnel_id', $funnel?->id));
    }

    /** @param  array{string, string}  $within */
    private function facts(Business $business, ?Funnel $funnel, array $within): Builder
    {
        return DB::table('order_facts')->when($funnel === null, fn (Builder $q) => $q->where('business_id', $business->id),
            fn (Builder $q) => $q->where('funnel_id', $funnel?->id))
            ->whereIn('type', [FactType::Paid->value, FactType::Refunded->value])->whereBetween('at', $within)->where('owner', false);
    }
}
