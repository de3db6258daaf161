<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Results\Cohorts;

/** What came of those who joined a funnel in each of the last weeks, whatever of the owner's they bought. */
final class FunnelCohorts
{
    private const WEEKS = 14;

    /** @return list<array<string, mixed>> */
    public static function of(Funnel $funnel, CarbonImmutable $now): array
    {
        $zone = $funnel->business->zone();
        $since = $now->setTimezone($zone)->startOfWeek()->subWeeks(self::WEEKS)->utc()->format('Y-m-d H:i:s.v');
        $joins = DB::table('events as e')->where('e.funnel_id', $funnel->id)->where('e.type', EventType::Joined->value)
            ->where('e.owner', false)->where('e.at', '>=', $since)->whereNotNull('e.person_id')
            // Only who joined for the first time: a later form is no other cohort.
            ->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from('events', 'b')->whereColumn('b.person_id', 'e.person_id')
                ->where('b.funnel_id', $funnel->id)->where('b.type', EventType::Joined->value)->where('b.owner', false)
                ->where('b.at', '<', $since));
        $first = (clone $joins)->groupBy('e.person_id')->selectRaw('e.person_id, min(e.at) as at');
        $paid = DB::query()->fromSub($first, 'j')->join('orders as o', 'o.person_id', '=', 'j.person_id')
            ->join('order_facts as f', 'f.order_id', '=', 'o.id')->where('o.owner', false)->where('o.currency', $funnel->sellsIn())
            ->whereIn('f.type', [FactType::Paid->value, FactType::Refunded->value])
            ->get(['j.person_id', 'f.at', 'f.type', 'f.amount']);
        $left = DB::query()->fromSub($first, 'j')->join('people as p', 'p.id', '=', 'j.person_id')->whereNotNull('p.unsubscribed_at')
            ->whereNull('p.erased_at')->pluck('p.unsubscribed_at', 'j.person_id');
        $moment = fn (mixed $at): DateTimeImmutable => new DateTimeImmutable((string) $at, new DateTimeZone('UTC'));
        $payments = [];
        foreach ($paid as $p) {
            $payments[] = ['person' => (string) $p->person_id, 'at' => $moment($p->at),
                'amount' => ($p->type === FactType::Refunded->value ? -1 : 1) * (int) $p->amount];
        }
        $currency = Currency::of($funnel->sellsIn());

        return array_map(fn (array $c): array => ['week' => $c['week'], 'people' => $c['people'],
            'after' => array_map(fn (int $age): ?array => $c['after'][$age] === null ? null : ['buyers' => $c['after'][$age]['buyers'],
                'left' => $c['after'][$age]['left'], 'revenue' => $c['after'][$age]['revenue'] === 0 ? ''
                    : Money::of($c['after'][$age]['revenue'], $currency)->words($funnel->business->locale)], Cohorts::AGES)],
            Cohorts::of(array_map($moment, $first->pluck('at', 'person_id')->all()), $payments, array_map($moment, $left->all()), $zone,
                $now));
    }
}
