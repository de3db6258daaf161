<?php

declare(strict_types=1);

namespace App\Results;

use App\Support\OwnerDays;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Tally;
use stdClass;

/**
 * What orders add to the counts: each once on the day it was bought, and money on the day it came in or went back, for the page on which
 * each line was bought; credited to where the order was.
 */
final class MoneyTallies
{
    /** Facts of orders that are money, with what the order is credited to. */
    public static function facts(): Builder
    {
        return DB::table('order_facts', 'f')->join('orders as o', 'o.id', '=', 'f.order_id')
            ->whereIn('f.type', [FactType::Paid->value, FactType::Refunded->value])->where('f.owner', false)
            ->select('f.id', 'f.funnel_id', 'f.order_id', 'f.type', 'f.amount', 'f.currency', 'f.lines', 'f.at', 'o.page_id',
                'o.first_touch', 'o.last_touch', 'o.device', 'o.known', 'o.visitor', 'o.placed_at');
    }

    /** Orders that were bought. */
    public static function orders(): Builder
    {
        return DB::table('orders')->whereNotNull('bought_at')->where('owner', false)
            ->select('id', 'funnel_id', 'page_id', 'visitor', 'placed_at', 'bought_at', 'first_touch', 'last_touch', 'device', 'known');
    }

    /** @return list<Tally> */
    public static function ofOrder(stdClass $order, DateTimeZone $zone): array
    {
        $day = OwnerDays::of((string) $order->bought_at, $zone);

        return [...EventTallies::inSlices($order, Measure::Orders, (string) $order->page_id, $day),
            ...EventTallies::ofBlocks(self::pressed($order), Measure::Orders, $day)];
    }

    /** @return list<Tally> */
    public static function of(stdClass $fact, DateTimeZone $zone): array
    {
        $day = OwnerDays::of((string) $fact->at, $zone);
        $measure = $fact->type === FactType::Paid->value ? Measure::Paid : Measure::Refunded;
        $tallies = [];
        $first = true;
        foreach (self::byPage($fact) as $page => $amount) {
            // One payment is one payment, on however many pages its lines were bought.
            array_push($tallies, ...EventTallies::inSlices($fact, $measure, (string) $page, $day, (string) $fact->currency,
                $first ? 1 : 0, $amount));
            $first = false;
        }

        return [...$tallies, ...EventTallies::ofBlocks(self::pressed($fact), $measure, $day, (string) $fact->currency,
            (int) $fact->amount)];
    }

    /**
     * @param  stdClass  $of  with the `visitor` and the moment of an order
     * @return list<string> ids of the blocks that its buyer pressed in the funnel before they placed it
     */
    private static function pressed(stdClass $of): array
    {
        return $of->visitor === null ? [] : array_values(array_map(strval(...), DB::table('events')
            ->where('visitor', $of->visitor)->where('funnel_id', $of->funnel_id)->where('owner', false)
            ->where('type', EventType::Pressed->value)->where('at', '<', $of->placed_at)->distinct()->orderBy('part')->pluck('part')
            ->all()));
    }

    /** @return array<string, int> */
    private static function byPage(stdClass $fact): array
    {
        $lines = array_map(intval(...), is_string($fact->lines) ? (array) json_decode($fact->lines, true) : []);
        $pages = $lines === [] ? [] : DB::table('order_lines')->where('order_id', $fact->order_id)->pluck('page_id', 'number')->all();
        $amounts = [(string) $fact->page_id => (int) $fact->amount - array_sum($lines)];
        foreach ($lines as $number => $amount) {
            $page = (string) ($pages[$number] ?? $fact->page_id);
            $amounts[$page] = ($amounts[$page] ?? 0) + $amount;
        }

        return $amounts;
    }
}
