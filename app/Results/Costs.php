<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Business;
use App\Models\Spend;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Results\Cost;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;

/** What each source cost and brought in a period: those who came first by it, whatever they did later and wherever. */
final readonly class Costs
{
    /** After how many days the value of a customer is told. */
    private const AGES = [0, 30, 90, 180, 365];

    public function __construct(private Business $business, private Period $period)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $spent = $this->spent();
        $sources = $this->sources();
        foreach (array_keys($spent) as $source) {
            $sources[$source] ??= new CountSums;
        }
        $rows = [];
        $sum = new CountSums;
        foreach ($sources as $source => $sums) {
            if (isset($spent[$source])) {
                $sum->plus($sums);
            }
            $rows[] = $this->row((string) $source, $spent[$source] ?? [], $sums);
        }
        usort($rows, fn (array $a, array $b): int => [$b['spent'] ?? -1, $b['visitors'], $a['source']]
            <=> [$a['spent'] ?? -1, $a['visitors'], $b['source']]);
        /** @var array<string, int> $all */
        $all = [];
        foreach ($spent as $byCurrency) {
            foreach ($byCurrency as $currency => $amount) {
                $all[$currency] = ($all[$currency] ?? 0) + $amount;
            }
        }
        /** @var array{spent: int|null, spentWords: string, perCustomer: string, timesBack: float|null} $whole */
        $whole = $this->row('', $all, $sum);

        return ['from' => $this->period->from, 'to' => $this->period->to, 'currency' => $this->business->currency,
            'decimals' => Currency::of($this->business->currency)->decimals, 'sources' => array_slice($rows, 0, 100), 'whole' => $whole,
            'sentence' => $this->sentence($whole), 'value' => $this->valueOfCustomers(),
            'breakEven' => Cost::breakEven($whole['spent'], $this->revenueByDay(array_map(strval(...), array_keys($spent))))];
    }

    /** @return array<string, array<string, int>> by source and currency: what falls into the period */
    private function spent(): array
    {
        $spent = [];
        foreach (Spend::query()->where('business_id', $this->business->id)->where('to_day', '>=', $this->period->from)
            ->where('from_day', '<=', $this->period->to)->get() as $spend) {
            $spent[$spend->source][$spend->currency] = ($spent[$spend->source][$spend->currency] ?? 0)
                + Cost::within($spend->amount, Period::between($spend->from_day, $spend->to_day), $this->period);
        }

        return $spent;
    }

    /** @return array<string, CountSums> by source, of all funnels together */
    private function sources(): array
    {
        $sources = [];
        $funnels = DB::table('funnels')->where('business_id', $this->business->id)->pluck('id');
        foreach ($funnels as $funnel) {
            foreach (CountReader::byAxis((string) $funnel, $this->period, 'first') as $source => $byPage) {
                ($sources[(string) $source] ??= new CountSums)->plus(CountReader::whole($byPage));
            }
        }

        return $sources;
    }

    /**
     * @param  array<string, int>  $spent  by currency
     * @return array<string, mixed>
     */
    private function row(string $source, array $spent, CountSums $sums): array
    {
        $own = $this->business->currency;
        $foreign = array_diff_key($spent, [$own => 0]);
        $net = $sums->net();
        // What was spent in another currency cannot be held against what came in: then nothing each is told.
        $cost = new Cost($foreign === [] ? $spent[$own] ?? null : null, $sums->of(Measure::Visitors), $sums->of(Measure::Signups),
            $sums->of(Measure::Orders), $net[$own] ?? 0);

        return ['source' => $source, 'spent' => $cost->spent, 'spentWords' => MoneyWords::all($spent, $this->business->locale),
            'visitors' => $cost->visitors, 'leads' => $cost->leads, 'customers' => $cost->customers,
            'revenue' => MoneyWords::all($net, $this->business->locale),
            'perVisitor' => $this->amount($cost->perVisitor()), 'perLead' => $this->amount($cost->perLead()),
            'perCustomer' => $this->amount($cost->perCustomer()), 'revenuePerLead' => $this->amount($cost->revenuePerLead()),
            'timesBack' => $cost->timesBack(), 'profit' => $this->amount($cost->profit()),
            'foreign' => $foreign !== [] || array_diff_key($net, [$own => 0]) !== []];
    }

    /** @param  array<string, mixed>  $whole */
    private function sentence(array $whole): string
    {
        if ($whole['spentWords'] === '') {
            return 'Nothing is typed in for this time: what visitors cost is not known.';
        }
        $customer = $whole['perCustomer'] === '' ? 'Nobody whom that brought has bought yet.'
            : "A customer whom that brought cost {$whole['perCustomer']}.";

        return "You spent {$whole['spentWords']}. {$customer}".($whole['timesBack'] === null ? ''
            : ' It came back '.number_format((float) $whole['timesBack'], 1).' times.');
    }

    /** @return list<array{days: int, customers: int,
        words: string}> what a customer has paid on average by so many days after the first purchase */
    private function valueOfCustomers(): array
    {
        $own = $this->business->currency;
        $first = DB::table('orders')->where('business_id', $this->business->id)->where('owner', false)->whereNotNull('bought_at')
            ->where('currency', $own)->groupBy('person_id')->selectRaw('person_id, min(bought_at) as first');
        $values = [];
        foreach (self::AGES as $days) {
            // Only those count whose first purchase is as long ago, or the young would make all look poor.
            $until = $this->period->ends($this->business->zone())->modify("-{$days} days")->format('Y-m-d H:i:s.v');
            $row = DB::query()->fromSub($first, 'c')->join('orders as o', 'o.person_id', '=', 'c.person_id')
                ->join('order_facts as f', 'f.order_id', '=', 'o.id')->where('c.first', '<=', $until)->where('o.currency', $own)
                ->where('o.business_id', $this->business->id)->where('o.owner', false)->whereIn('f.type', ['paid', 'refunded'])
                ->whereRaw('julianday(f.at) - julianday(c.first) <= ?', [$days + 1 / 24])
                ->selectRaw("count(distinct c.person_id) as n,
                    sum(case when f.type = 'paid' then f.amount else -f.amount end) as net")->first();
            $n = (int) ($row->n ?? 0);
            $values[] = ['days' => $days, 'customers' => $n, 'words' => $n === 0 ? ''
                : $this->amount((int) round((int) ($row->net ?? 0) / $n))];
        }

        return $values;
    }

    /**
     * @param  list<string>  $sources
     * @return array<string, int> net in the business's currency
     */
    private function revenueByDay(array $sources): array
    {
        $funnels = DB::table('funnels')->where('business_id', $this->business->id)->pluck('id')->map(strval(...))->all();
        $days = [];
        foreach ($sources as $source) {
            foreach (CountReader::byDay(array_values($funnels), $this->period, "first:{$source}") as $byDay) {
                foreach ($byDay as $day => $sums) {
                    $days[$day] = ($days[$day] ?? 0) + ($sums->net()[$this->business->currency] ?? 0);
                }
            }
        }
        ksort($days);

        return $days;
    }

    private function amount(?int $minor): string
    {
        return $minor === null ? '' : MoneyWords::one($minor, $this->business->currency, $this->business->locale);
    }
}
