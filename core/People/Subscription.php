<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/** How somebody stands to the list: exactly one of these at any time. */
enum Subscription: string
{
    /** Gets emails. */
    case Subscribed = 'subscribed';
    /** Gets what they asked for, and agreed to nothing more. */
    case NoMarketing = 'no-marketing';
    /** Was asked to confirm and has not yet. */
    case Unconfirmed = 'unconfirmed';
    case Unsubscribed = 'unsubscribed';
    /** Their mailbox refused a message for good. */
    case Bounced = 'bounced';
    /** They reported an email as spam. */
    case Complained = 'complained';

    public function label(): string
    {
        return match ($this) {
            self::Subscribed => 'gets emails',
            self::NoMarketing => 'gets only what they asked for',
            self::Unconfirmed => 'has not confirmed yet',
            self::Unsubscribed => 'unsubscribed',
            self::Bounced => 'address does not work',
            self::Complained => 'reported an email as spam',
        };
    }

    /** Does anything that is sent still reach them? Not whoever left, or whose mailbox refused it. */
    public function isReached(): bool
    {
        return ! in_array($this, [self::Unsubscribed, self::Bounced, self::Complained], true);
    }

    /** May an email of a sequence they joined go to them? */
    public function getsSequences(): bool
    {
        return $this === self::Subscribed || $this === self::NoMarketing;
    }
}
