<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Http\Studio\Funnels\HomeNumbers;
use App\Models\Business;
use App\Models\Funnel;
use App\Results\CountReader;
use App\Results\CountSums;
use App\Results\MoneyWords;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Rate;

/** All funnels of a business beside each other, each in what it is for; in as many queries for many as for one. */
final readonly class AllFunnels
{
    private const MOST = 200;

    public function __construct(private Business $business, private HomeNumbers $home)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(Period $period): array
    {
        $funnels = array_values(Funnel::query()->where('business_id', $this->business->id)->whereNull('archived_at')->orderBy('name')
            ->limit(self::MOST)->get()->all());
        $ids = array_map(fn (Funnel $f): string => $f->id, $funnels);
        $now = $this->home->of($this->business, $funnels, $period);
        $before = $this->home->of($this->business, $funnels, $period->before());
        $sums = CountReader::byPage($ids, $period);
        $rows = array_map(function (Funnel $f) use ($now, $before, $sums): array {
            $whole = CountReader::whole($sums[$f->id] ?? []);
            $success = self::success($now[$f->id]);

            return ['id' => $f->id, 'name' => $f->name, 'kind' => $f->success()->value, 'visitors' => $whole->of(Measure::Visitors),
                'visitorsBefore' => (int) $before[$f->id]['visitors'], 'count' => $success['count'],
                'countBefore' => self::success($before[$f->id])['count'],
                'rate' => Rate::of(min($success['count'], $whole->of(Measure::Visitors)), $whole->of(Measure::Visitors))->toArray(),
                'trend' => $success['trend'], 'revenue' => MoneyWords::all($whole->net(), $this->business->locale),
                'perVisitor' => $this->perVisitor($f, $whole)];
        }, $funnels);
        usort($rows, fn (array $a, array $b): int => [$b['visitors'], $a['name']] <=> [$a['visitors'], $b['name']]);

        $wholes = array_map(fn (string $id): CountSums => CountReader::whole($sums[$id] ?? []), $ids);

        return ['sentence' => $this->sentence($rows, $wholes), 'funnels' => $rows];
    }

    /**
     * @param  array<string, mixed>  $numbers
     * @return array{count: int, trend: list<int>}
     */
    private static function success(array $numbers): array
    {
        $success = (array) $numbers['success'];

        return ['count' => (int) $success['count'], 'trend' => array_values(array_map(intval(...), (array) $success['trend']))];
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @param  list<CountSums>  $sums
     */
    private function sentence(array $rows, array $sums): string
    {
        $busy = count(array_filter($rows, fn (array $r): bool => $r['visitors'] > 0));
        if ($busy === 0) {
            return 'Nobody came in this time.';
        }
        $total = fn (Measure $m): int => array_sum(array_map(fn (CountSums $s): int => $s->of($m), $sums));
        $money = [];
        foreach ($sums as $s) {
            foreach ($s->net() as $currency => $amount) {
                $money[$currency] = ($money[$currency] ?? 0) + $amount;
            }
        }
        $said = [self::counted($total(Measure::Signups), 'sign-up'), self::counted($total(Measure::Orders), 'sale')];
        $verb = $total(Measure::Signups) === 1 ? 'was' : 'were';
        $revenue = MoneyWords::all(array_filter($money), $this->business->locale);

        return 'In '.self::counted($busy, 'funnel')." there {$verb} ".implode(' and ', $said).($revenue === '' ? '.' : ", {$revenue}.");
    }

    private static function counted(int $n, string $one): string
    {
        return ($n === 0 ? 'no' : number_format($n))." {$one}".($n === 1 ? '' : 's');
    }

    private function perVisitor(Funnel $funnel, CountSums $sums): string
    {
        $currency = Currency::of($funnel->currency ?? $this->business->currency);
        $net = $sums->net()[$currency->code] ?? null;
        $visitors = $sums->of(Measure::Visitors);

        return $net === null || $visitors === 0 ? '' : Money::of(intdiv($net, $visitors), $currency)->words($this->business->locale);
    }
}
