<?php

declare(strict_types=1);

namespace Lantern\Core\Selling;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Deadlines\Guards;
use Lantern\Core\Deadlines\OfferAccess;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Price;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Orders\ShownPrice;

/**
 * Whether an offer may be bought now, and for how much: the one place where it is decided, for what a checkout shows, for what it
 * takes, for order bumps and for extra offers.
 */
final class Sale
{
    /** What the offer itself says comes first, then the deadlines that guard it. */
    public static function availability(Offer $offer, SaleFacts $facts, DateTimeImmutable $now): Availability
    {
        $availability = $offer->availability($now, $facts->zone, $facts->taken, $facts->has);
        if ($availability !== Availability::OnSale || $facts->states === null) {
            return $availability;
        }

        return match ((new Guards($facts->deadlines, []))->offer($offer->id, $facts->states->states, self::wasOpen($offer->id, $facts))) {
            OfferAccess::Open => Availability::OnSale,
            OfferAccess::NotBegun => Availability::TimeNotBegun,
            OfferAccess::Over => Availability::TimeRanOut,
        };
    }

    /**
     * An offer after paying, taken with one click: only while its buyer has what they paid for, and once in an order. Whoever bought
     * before the end of a deadline has its grace for what comes after.
     *
     * @param  OrderState  $state  of the order it is taken with
     * @param  bool  $inOrder  does that hold it already?
     */
    public static function ofExtra(Offer $offer, OrderState $state, bool $inOrder, SaleFacts $facts, DateTimeImmutable $now): Availability
    {
        return match (true) {
            ! $state->isKept() => Availability::Over,
            $inOrder => Availability::AlreadyBought,
            default => self::availability($offer, $facts, $now),
        };
    }

    /**
     * The offer at the price that holds for somebody: a lower one that they were shown within the hour, or that of today.
     *
     * @param  DateTimeImmutable|null  $shownAt  when they were shown it
     */
    public static function atPriceOf(Offer $offer, ?Price $shown, ?DateTimeImmutable $shownAt, DateTimeImmutable $now): Offer
    {
        return $shown !== null && $shownAt !== null && $shown->currency()->is($offer->price->currency())
            && ShownPrice::holds($shown->total()->minor, $offer->price->total()->minor, $shownAt, $now) ? $offer->withPrice($shown)
                : $offer;
    }

    /**
     * Under which deadline an offer is sold, and how many seconds of it are left, below 0 within grace: kept with the line of an order.
     * Of several, the one that ends first.
     *
     * @param  list<Deadline>  $deadlines  of the funnel
     * @return array{deadline: string, left: int}|null nothing where none of them guards it
     */
    public static function under(string $offer, array $deadlines, DeadlineStates $states, DateTimeImmutable $now): ?array
    {
        $under = null;
        foreach ($deadlines as $deadline) {
            $run = $deadline->guardsOffer($offer) ? $states->runs[$deadline->id] ?? null : null;
            $left = $run === null ? null : $run->endsAt->getTimestamp() - $now->getTimestamp();
            if ($left !== null && ($under === null || $left < $under['left'])) {
                $under = ['deadline' => $deadline->id, 'left' => $left];
            }
        }

        return $under;
    }

    /** Was the checkout it comes from shown to them before the end of every deadline that guards the offer? */
    private static function wasOpen(string $offer, SaleFacts $facts): bool
    {
        foreach ($facts->deadlines as $deadline) {
            $run = $deadline->guardsOffer($offer) ? $facts->states->runs[$deadline->id] ?? null : null;
            if ($run !== null && $facts->openSince !== null && $facts->openSince >= $run->endsAt) {
                return false;
            }
        }

        return $facts->openSince !== null;
    }
}
