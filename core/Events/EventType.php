<?php

declare(strict_types=1);

namespace Lantern\Core\Events;

/** What can happen between a funnel and a visitor. */
enum EventType: string
{
    case Viewed = 'viewed';
    /** Filled in a form that wants the address confirmed. */
    case Asked = 'asked';
    case Confirmed = 'confirmed';
    /** Is in: by a form that asks for no more, or by confirming. */
    case Joined = 'joined';
    case Downloaded = 'downloaded';
    case Tagged = 'tagged';
    /** Is in a sequence from now on. Kept as an enrolment, and not as an event. */
    case Entered = 'entered';
    /** Paid: with the offers it was, where it was bought through us. */
    case Bought = 'bought';
    /** Said no thanks to an extra offer. */
    case Declined = 'declined';
    case Opened = 'opened';
    case Clicked = 'clicked';
    case Bounced = 'bounced';
    case Complained = 'complained';
    case Unsubscribed = 'unsubscribed';
    /** Has a session of a webinar, or another one than before. */
    case Registered = 'registered';
    case SessionCancelled = 'session-cancelled';
    /** Pressed a button or followed a link on a page. */
    case Pressed = 'pressed';
    /** Read a page, as far as a section. */
    case Read = 'read';
    /** What became of a session of theirs. */
    case Attended = 'attended';
    case SawOffer = 'saw-offer';
    case LeftEarly = 'left-early';
    case Missed = 'missed';
    case WatchedReplay = 'watched-replay';
    /** Got money back for what was bought, wholly or in part. */
    case Refunded = 'refunded';
    /** A payment of an order did not go through. */
    case PaymentFailed = 'payment-failed';
    /** The time of a deadline has run out for them. */
    case DeadlineOver = 'deadline-over';
    /** The time of a deadline begins for them. Kept as its run, and not as an event. */
    case DeadlineBegan = 'deadline-began';
    /** The time of a deadline is nearly over for them. */
    case DeadlineNear = 'deadline-near';
    /** Replied to an email, as the owner marks it. */
    case Replied = 'replied';
    /** A day that stands in a field of theirs has come round. */
    case DateCame = 'date-came';
    /** Became warm by something they did, and was not before. */
    case BecameWarm = 'became-warm';
    case GuideBegun = 'guide-begun';
    /** Read a page of a guide, for the first time. */
    case GuideRead = 'guide-read';
    case GuideFinished = 'guide-finished';

    /** The outcome of the page it happened on, if it is one that leads on. */
    public function outcome(): ?Outcome
    {
        return match ($this) {
            self::Joined => Outcome::Joined,
            self::Confirmed => Outcome::Confirmed,
            self::Bought => Outcome::Bought,
            self::Declined => Outcome::Declined,
            self::Attended => Outcome::Attended,
            self::LeftEarly, self::Missed => Outcome::Missed,
            default => null,
        };
    }

    /** Is it told in a person's history by what it happened to: their deadlines, their sessions, the emails of a sequence? */
    public function isToldElsewhere(): bool
    {
        return in_array($this, [self::Entered, self::Registered, self::DeadlineOver, self::DeadlineBegan, self::DeadlineNear,
            self::Pressed, self::Read, self::GuideRead], true);
    }

    /** Is it what became of somebody's session? */
    public function isOfSession(): bool
    {
        return in_array($this, [self::Attended, self::SawOffer, self::LeftEarly, self::Missed, self::WatchedReplay], true);
    }

    /** Is it something only a person does, and no mail program, mail server or owner in their place? */
    public function isActivity(): bool
    {
        return in_array($this, [self::Viewed, self::Asked, self::Confirmed, self::Joined, self::Downloaded, self::Bought, self::Declined,
            self::Pressed, self::Clicked, self::Registered, self::Attended, self::SawOffer, self::LeftEarly, self::WatchedReplay,
            self::GuideBegun, self::GuideRead,
            self::GuideFinished], true);
    }
}
