<?php

declare(strict_types=1);

namespace App\Orders;

use App\Deadlines\States;
use App\Deadlines\VisitorIdentity;
use App\Models\Order;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Selling\FreshOrder;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Selling\SaleFacts;

/** Which offers after paying can be had with an order: what is loaded for {@see Sale} and {@see FreshOrder}. */
final class ExtraOfferSale
{
    /** May somebody with this order still take extra offers with one click? */
    public static function isFresh(Order $order, CarbonImmutable $now): bool
    {
        return (new FreshOrder($order->state, $order->bought_at, (int) config('lantern.checkout.fresh_minutes')))->isFresh($now);
    }

    /**
     * May it be taken with this order?
     *
     * @param  list<Deadline>  $deadlines  of the funnel
     */
    public static function availability(Order $order, Offer $offer, array $deadlines, CarbonImmutable $now): Availability
    {
        $guarding = array_values(array_filter($deadlines, fn (Deadline $d): bool => $d->guardsOffer($offer->id)));

        return Sale::ofExtra($offer, $order->state, Sold::hasInOrder($order->id, $offer->id), new SaleFacts(
            $order->funnel->business->zone(), Sold::taken($offer->id),
            // What its person has otherwise is not shown, be it by an offer that is passed by, before it is proven whose order it is.
            $order->joined_at !== null && Sold::has($order->person, $offer->id), $guarding,
            $guarding === [] || $order->owner ? null : self::states($order, $guarding, $now), $order->placed_at), $now);
    }

    /** @param  list<Deadline>  $deadlines */
    public static function states(Order $order, array $deadlines, CarbonImmutable $now): DeadlineStates
    {
        return States::of($deadlines, new VisitorIdentity(VisitorIdentity::ofMailboxes([$order->person_id]), $order->visitor,
            (string) $order->ip,
            $order->funnel->business->zone()), $now);
    }

    /** @return list<string> ids of the extra offers of a plan that cannot be taken with this order */
    public static function closed(Order $order, Plan $plan, DateTimeImmutable $at): array
    {
        $order->loadMissing(['funnel.business', 'person']);
        $closed = [];
        foreach ($plan->pages as $page) {
            $offer = $page->role->isExtraOffer() ? $plan->offerOn($page) : null;
            if ($offer !== null && self::availability($order, $offer, $plan->deadlines,
                CarbonImmutable::instance($at)) !== Availability::OnSale) {
                $closed[] = $offer->id;
            }
        }

        return $closed;
    }
}
