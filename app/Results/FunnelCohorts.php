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
use stdClass;

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
        $first = array_map(strval(...), $joins->groupBy('e.person_id')->selectRaw('e.person_id, min(e.at) as at')->pluck('at',
            'person_id')->all());
        // Whatever happened since, of whomever: those are fewer than a list of all who joined is long to hold against each.
        $paid = DB::table('order_facts as f')->join('orders as o', 'o.id', '=', 'f.order_id')
            ->where('f.business_id', $funnel->business_id)->where('f.at', '>=', $since)->where('o.owner', false)
            ->where('o.currency', $funnel->sellsIn())->whereNotNull('o.person_id')
            ->whereIn('f.type', [FactType::Paid->value, FactType::Refunded->value])
            ->get(['o.person_id', 'f.at', 'f.type', 'f.amount'])
            ->filter(fn (stdClass $p): bool => isset($first[(string) $p->person_id]));
        $left = array_intersect_key(DB::table('people')->where('business_id', $funnel->business_id)->where('unsubscribed_at', '>=', $since)
            ->whereNull('erased_at')->pluck('unsubscribed_at', 'id')->all(), $first);
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
            Cohorts::of(array_map($moment, $first), $payments, array_map($moment, $left), $zone,
                $now));
    }
}
