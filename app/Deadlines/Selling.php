<?php

declare(strict_types=1);

namespace App\Deadlines;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Guards;
use Lantern\Core\Deadlines\OfferAccess;
use Lantern\Core\Offers\Availability;

/** Whether deadlines let somebody buy an offer: what every way of buying asks, on the server, when it is bought. */
final class Selling
{
    /**
     * @param  list<Deadline>  $deadlines  of the funnel
     * @param  DateTimeInterface|null  $openSince  when the checkout it comes from was shown to them; null where there is none
     * @return Availability|null nothing where no deadline stands in the way
     */
    public static function refusal(array $deadlines, string $offer, States $states, ?DateTimeInterface $openSince = null): ?Availability
    {
        $wasOpen = $openSince !== null;
        foreach ($deadlines as $deadline) {
            $run = $deadline->guardsOffer($offer) ? $states->runs[$deadline->id] ?? null : null;
            $wasOpen = $wasOpen && ($run === null || $openSince < $run->endsAt);
        }

        return match ((new Guards($deadlines, []))->offer($offer, $states->states, $wasOpen)) {
            OfferAccess::Open => null,
            OfferAccess::NotBegun => Availability::TimeNotBegun,
            OfferAccess::Over => Availability::TimeRanOut,
        };
    }

    /**
     * What is kept with the line of an order: under which deadline its offer stood, and how many seconds of it were left, below
     * 0 within grace. Of several, the one that ends first.
     *
     * @param  list<Deadline>  $deadlines  of the funnel
     * @return array{deadline_id: string, deadline_left: int}|array{}
     */
    public static function noted(array $deadlines, string $offer, States $states, CarbonImmutable $now): array
    {
        $noted = [];
        foreach ($deadlines as $deadline) {
            $run = $deadline->guardsOffer($offer) ? $states->runs[$deadline->id] ?? null : null;
            $left = $run === null ? null : $run->endsAt->getTimestamp() - $now->getTimestamp();
            if ($left !== null && $left < ($noted['deadline_left'] ?? PHP_INT_MAX)) {
                $noted = ['deadline_id' => $deadline->id, 'deadline_left' => $left];
            }
        }

        return $noted;
    }
}
