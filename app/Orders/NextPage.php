<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Order;
use Carbon\CarbonImmutable;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Offers\Standing;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;

/**
 * Where a buyer goes: along the ways of the version they buy in. An extra offer that they cannot take is passed by, as if they had said no.
 */
final class NextPage
{
    private const MOST_PASSED = 20;

    public static function after(Order $order, string $page, Outcome $outcome): string
    {
        $plan = self::plan($order, $page);
        $journey = new Journey($plan);
        $way = $journey->way($page, $outcome);
        for ($passed = 0; $passed < self::MOST_PASSED && $way !== null && self::isClosed($order, $plan, $way); $passed++) {
            $way = $journey->way((string) $way->toPage, Outcome::Declined);
        }

        return $way->toUrl ?? ($way === null ? PayLinks::purchases($order->person)
            : $order->funnel->url($plan->page((string) $way->toPage)->address ?? ''));
    }

    /** What is live now, or where the page is not in it any more, what the buyer saw. */
    private static function plan(Order $order, string $page): Plan
    {
        $live = $order->funnel->liveVersion?->plan();

        return $live?->page($page) !== null ? $live : $order->version->plan();
    }

    private static function isClosed(Order $order, Plan $plan, Way $way): bool
    {
        $page = $way->toPage === null ? null : $plan->page($way->toPage);
        $offer = $page === null || ! $page->role->isExtraOffer() ? null : $plan->offerOn($page);

        return $offer !== null && ExtraOffers::standing($order, $offer, CarbonImmutable::now()) !== Standing::OnSale;
    }
}
