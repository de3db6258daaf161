<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Order;
use Carbon\CarbonImmutable;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Plan\Plan;

/** Where a buyer goes: along the ways of what is live, past extra offers that they cannot take. */
final class NextPage
{
    public static function after(Order $order, string $page, Outcome $outcome): string
    {
        $plan = self::plan($order, $page);
        $way = (new Journey($plan))->onward($page, $outcome, ExtraOfferSale::closed($order, $plan, CarbonImmutable::now()));

        return $way->toUrl ?? ($way === null ? PayLinks::order($order)
            : $order->funnel->url($plan->page((string) $way->toPage)->address ?? ''));
    }

    /** What is live now, or where the page is not in it any more, what the buyer saw. */
    private static function plan(Order $order, string $page): Plan
    {
        $live = $order->funnel->liveVersion?->plan();

        return $live?->page($page) !== null ? $live : $order->version->plan();
    }
}
