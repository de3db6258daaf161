<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

/** What can happen to somebody in a funnel, as its record tells it. */
enum HappeningKind: string
{
    /** They see a page. */
    case Page = 'page';
    /** They are led elsewhere than they went. */
    case Led = 'led';
    /** They are told something in place of a page. */
    case Notice = 'notice';
    /** They leave for an address elsewhere. */
    case Away = 'away';
    case Popup = 'popup';
    case Joined = 'joined';
    case Asked = 'asked';
    case Confirmed = 'confirmed';
    /** An email comes. */
    case Email = 'email';
    /** One that was planned does not go. */
    case NotSent = 'not-sent';
    case Clicked = 'clicked';
    case Tagged = 'tagged';
    case SequenceStarted = 'sequence-started';
    case SequenceEnded = 'sequence-ended';
    case DeadlineStarted = 'deadline-started';
    case DeadlineOver = 'deadline-over';
    case Registered = 'registered';
    /** What became of a session. */
    case Session = 'session';
    case Bought = 'bought';
    /** A later payment of a plan is made. */
    case Paid = 'paid';
    case CardRefused = 'card-refused';
    case Declined = 'declined';
    /** They would buy, and cannot. */
    case NotForSale = 'not-for-sale';
    case ProductGiven = 'product-given';
    case FileGiven = 'file-given';
    case Downloaded = 'downloaded';
    case Guide = 'guide';
    case BecameWarm = 'became-warm';
    case OwnerTold = 'owner-told';
    case AddressCalled = 'address-called';
    case Unsubscribed = 'unsubscribed';
    case OtherDevice = 'other-device';
    case TagRemoved = 'tag-removed';
    case RuleActed = 'rule-acted';
    /** What a rule asks of the person did not hold. */
    case RulePassed = 'rule-passed';
    case RuleStopped = 'rule-stopped';
    case DeadlineNear = 'deadline-near';
    case DateCame = 'date-came';
    /** What was to be done could not be. */
    case Impossible = 'impossible';

    /** Do they notice it themselves, rather than the owner alone? */
    public function isSeen(): bool
    {
        return in_array($this, [self::Page, self::Led, self::Notice, self::Away, self::Popup, self::Email, self::Bought, self::CardRefused,
            self::NotForSale, self::Impossible], true);
    }
}
