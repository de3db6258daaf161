<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/** What a message is. What is particular to each kind is said by one class in the application. */
enum MessageKind: string
{
    /** An email of a sequence. */
    case Sequence = 'sequence';
    case Broadcast = 'broadcast';
    /** The question whether an address is theirs. */
    case Confirmation = 'confirm';
    /** A new download link, asked for because the last has run out. */
    case NewLink = 'new-link';
    /** To the owner: who filled in a form. */
    case Notice = 'notice';
    /** To the owner: an email to be looked at. */
    case Test = 'test';
    /** To a buyer: what was bought, paid or refunded, in writing. */
    case Receipt = 'receipt';
    /** To a buyer: a payment of a plan that they must see to. */
    case PaymentTrouble = 'payment-trouble';
    /** To the owner: news of an order. */
    case SaleNotice = 'sale-notice';
    /** To somebody who is registered for a webinar: their session moved, was cancelled, or has a place for them. */
    case Session = 'session';
    /** To the owner: a question from the room, or news of a session. */
    case RoomNotice = 'room-notice';

    /**
     * Percent of the owner's messages a minute that messages of this kind may use. The rest is kept for what somebody sits
     * and waits for: a confirmation or a new link is not held up by a sequence, nor a welcome by a broadcast.
     */
    public function share(): int
    {
        return match ($this) {
            self::Sequence => 90,
            self::Broadcast => 80,
            default => 100,
        };
    }

    /** @return array<int, list<self>> the kinds by their share, what goes first at the top */
    public static function byShare(): array
    {
        $found = [];
        foreach (self::cases() as $kind) {
            $found[$kind->share()][] = $kind;
        }
        krsort($found);

        return $found;
    }
}
