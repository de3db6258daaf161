<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Events\Outcome;

/** What a page does in its funnel. */
enum PageRole: string
{
    case OptIn = 'opt-in';
    case Registration = 'registration';
    case Form = 'form';
    case ThankYou = 'thank-you';
    case Confirmation = 'confirmation';
    case Lesson = 'lesson';
    case Room = 'room';
    case Replay = 'replay';
    case Sales = 'sales';
    case Checkout = 'checkout';
    case Upsell = 'upsell';
    case Downsell = 'downsell';
    case Delivery = 'delivery';
    case Closed = 'closed';
    case Free = 'free';
    /** All pages of a guide, as one page that visitors come to. It stands among no pages of a funnel. */
    case Guide = 'guide';

    public function label(): string
    {
        return match ($this) {
            self::OptIn => 'Opt-in page',
            self::Registration => 'Registration page',
            self::Form => 'Form page',
            self::ThankYou => 'Thank-you page',
            self::Confirmation => 'Confirmation page',
            self::Lesson => 'Video page',
            self::Room => 'Webinar room',
            self::Replay => 'Replay page',
            self::Sales => 'Sales page',
            self::Checkout => 'Checkout page',
            self::Upsell => 'Upsell page',
            self::Downsell => 'Downsell page',
            self::Delivery => 'Delivery page',
            self::Closed => 'Closed page',
            self::Free => 'Page of your own',
            self::Guide => 'Guide',
        };
    }

    /** @return list<self> those that a page of a funnel may have */
    public static function ofPages(): array
    {
        return array_filter(self::cases(), fn (self $r): bool => $r !== self::Guide);
    }

    /** Does somebody pay here, or has just paid, so that nothing may come between? */
    public function isQuiet(): bool
    {
        return in_array($this, [self::Checkout, self::Upsell, self::Downsell, self::Delivery, self::Room], true);
    }

    /**
     * The outcomes that must lead somewhere before the funnel goes live. On a sales page one of two must, which depends
     * on where its offer is bought: {@see \Lantern\Core\Checks\GoLiveCheck}.
     *
     * @return list<Outcome>
     */
    public function outcomes(): array
    {
        return match ($this) {
            self::OptIn, self::Registration, self::Form => [Outcome::Joined],
            self::Upsell, self::Downsell => [Outcome::Bought, Outcome::Declined],
            self::Sales, self::Checkout => [Outcome::Bought],
            self::Room => [Outcome::Attended],
            default => [],
        };
    }

    /**
     * All outcomes that may lead somewhere, the main one first.
     *
     * @return list<Outcome>
     */
    public function possibleOutcomes(): array
    {
        return match ($this) {
            self::Confirmation, self::Room => [Outcome::Attended, Outcome::Missed],
            self::Sales => [Outcome::Chose, Outcome::Bought, Outcome::Declined, Outcome::TimeRanOut],
            self::Checkout => [Outcome::Bought, Outcome::TimeRanOut],
            self::Replay => [Outcome::TimeRanOut],
            self::Guide => [Outcome::Chose],
            default => $this->outcomes(),
        };
    }

    /** By which outcome visitors come to a page of this role, where the page before leaves a choice. */
    public function comesBy(): ?Outcome
    {
        return match ($this) {
            self::ThankYou, self::Confirmation => Outcome::Joined,
            self::Checkout => Outcome::Chose,
            self::Upsell, self::Delivery => Outcome::Bought,
            self::Downsell => Outcome::Declined,
            self::Replay => Outcome::Missed,
            default => null,
        };
    }

    /** Does it make an offer to somebody who has just bought another one? */
    public function isExtraOffer(): bool
    {
        return $this === self::Upsell || $this === self::Downsell;
    }

    /** Is it meant for one thing only: that the visitor joins? */
    public function hasOneGoal(): bool
    {
        return in_array($this, [self::OptIn, self::Registration, self::Form], true);
    }

    /** The address a page of this role has if nothing else is said. */
    public function address(): string
    {
        return match ($this) {
            self::Checkout => 'order',
            self::Upsell => 'one-more-thing',
            self::Downsell => 'instead',
            self::Delivery => 'welcome',
            self::Lesson => 'video',
            self::Free => 'page',
            self::Guide => 'read',
            default => $this->value,
        };
    }
}
