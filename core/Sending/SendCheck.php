<?php

declare(strict_types=1);

namespace Lantern\Core\Sending;

use DateTimeImmutable;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\People\Subscription;

/** The last look before a message goes out, as far as its reader is concerned: may it, now, to this person? */
final class SendCheck
{
    /**
     * Whoever must not be written to is not, whatever was asked for meanwhile, and by whomever. From what was asked for by itself, such
     * as a confirmation, one does not unsubscribe.
     *
     * @param  Recipient|null  $recipient  null where nobody is left that it was for, or where it goes to the owner
     * @param  bool  $forPerson  does it go to somebody on the list, and to nobody once they are gone?
     * @param  bool  $canBeLeft  is it one of those that one may choose to get no more of?
     */
    public static function of(MessageKind $kind, bool $forPerson, bool $canBeLeft, ?Recipient $recipient,
        DateTimeImmutable $now): SendVerdict
    {
        if ($recipient === null) {
            return $forPerson ? SendVerdict::cancel('The person it was for is gone.') : SendVerdict::go();
        }
        $why = self::lost($recipient->suppressed) ?? ($canBeLeft ? self::refused($kind, $recipient) : null);
        if ($why !== null) {
            return SendVerdict::cancel($why);
        }

        return $canBeLeft && $recipient->quietUntil !== null && $recipient->quietUntil > $now ? SendVerdict::later($recipient->quietUntil)
            : SendVerdict::go();
    }

    private static function lost(?Subscription $suppressed): ?string
    {
        return match ($suppressed) {
            Subscription::Complained => 'Reported an earlier email as spam.',
            Subscription::Bounced => 'This address refused an earlier message for good.',
            default => null,
        };
    }

    private static function refused(MessageKind $kind, Recipient $recipient): ?string
    {
        return match (true) {
            $recipient->subscription === Subscription::Unsubscribed => 'Unsubscribed before it was due.',
            ! $recipient->subscription->getsSequences() => 'The address was never confirmed.',
            self::wantsMore($kind) && $recipient->subscription !== Subscription::Subscribed => 'Agreed only to what they asked for.',
            $recipient->optedOut => 'Chose not to get these any more.',
            default => null,
        };
    }

    /** Is it more than what its reader asked for by joining? */
    private static function wantsMore(MessageKind $kind): bool
    {
        return $kind === MessageKind::Broadcast;
    }
}
