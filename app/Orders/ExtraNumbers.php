<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Funnel;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\OrderBump;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Results\Rate;

/** How the extra offers of a funnel do: order bumps, upsells and downsells. */
final class ExtraNumbers
{
    /**
     * How many took the bump, the upsell, the downsell, of those who could: whoever bought on the page of a bump could have ticked
     * it; an extra offer could be taken by whoever answered to it. Offers that are live are there also when nobody took them.
     *
     * @param  array{string, string}  $within  first and last moment, as they are stored
     * @return list<array<string, mixed>>
     */
    public function counted(Funnel $funnel, array $within): array
    {
        $taken = DB::table('order_lines')->join('orders', 'orders.id', '=', 'order_lines.order_id')
            ->where('orders.funnel_id', $funnel->id)->where('orders.owner', false)->whereBetween('orders.bought_at', $within)
            ->whereIn('order_lines.state', [LineState::Bought->value, LineState::Returned->value])
            ->groupBy('order_lines.kind', 'order_lines.offer_id', 'order_lines.page_id')
            ->selectRaw('order_lines.kind, order_lines.offer_id, order_lines.page_id, max(order_lines.name) as name, '
                .'count(distinct orders.id) as n')->get();
        $bought = $taken->where('kind', LineKind::Main->value)->groupBy('page_id')->map(fn (Collection $g): int => (int) $g->sum('n'));
        $declined = DB::table('events')->where('funnel_id', $funnel->id)->where('type', EventType::Declined->value)->where('owner', false)
            // Moments of events have three digits more.
            ->whereBetween('at', [$within[0], "{$within[1]}999"])->groupBy('page_id')
            ->selectRaw('page_id, count(*) as n')->pluck('n', 'page_id');
        $found = [];
        foreach ([...$taken->where('kind', '!=', LineKind::Main->value)->all(), ...self::onOffer($funnel)] as $row) {
            $kind = LineKind::from((string) $row->kind);
            $offer = &$found["{$kind->value} {$row->offer_id}"];
            $offer ??= ['kind' => $kind->label(), 'name' => (string) $row->name, 'taken' => 0, 'could' => 0, 'pages' => []];
            $offer['taken'] += (int) $row->n;
            if (! in_array($row->page_id, $offer['pages'], true)) {
                $offer['pages'][] = $row->page_id;
                $offer['could'] += (int) ($kind === LineKind::Bump ? $bought[$row->page_id] ?? 0
                    : $declined[$row->page_id] ?? 0);
            }
            $offer['could'] += $kind === LineKind::Bump ? 0 : (int) $row->n;
            unset($offer);
        }
        $order = array_flip([LineKind::Bump->label(), LineKind::Upsell->label(), LineKind::Downsell->label()]);
        $result = array_values(array_filter($found, fn (array $e): bool => $e['could'] > 0));
        usort($result, fn (array $a, array $b): int => [$order[$a['kind']], $a['name']] <=> [$order[$b['kind']], $b['name']]);

        return array_map(fn (array $e): array => ['kind' => $e['kind'], 'name' => $e['name'], 'taken' => $e['taken'],
            'could' => $e['could'],
            'rate' => Rate::of(min($e['taken'], $e['could']), $e['could'])->toArray()], $result);
    }

    /**
     * @return list<object{kind: string, offer_id: string, page_id: string, name: string, n: int}> the bumps and extra offers that are live
     */
    private static function onOffer(Funnel $funnel): array
    {
        $plan = $funnel->liveVersion?->plan();
        if ($plan === null) {
            return [];
        }
        $there = [];
        foreach ($plan->pages as $page) {
            $offer = $plan->offerOn($page);
            $kind = $page->role === PageRole::Downsell ? LineKind::Downsell : LineKind::Upsell;
            $offers = match (true) {
                $offer === null => [],
                $page->role->isExtraOffer() => [$offer],
                default => array_filter(array_map(fn (OrderBump $b): ?Offer => $plan->offer($b->offer), $offer->bumps)),
            };
            foreach ($offers as $extra) {
                $there[] = (object) ['kind' => $page->role->isExtraOffer() ? $kind->value : LineKind::Bump->value,
                    'offer_id' => $extra->id, 'page_id' => $page->id, 'name' => $plan->product($extra->product)->name ?? $extra->name,
                    'n' => 0];
            }
        }

        return $there;
    }
}
