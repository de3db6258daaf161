<?php

declare(strict_types=1);

namespace Lantern\Core\Sending;

use DateTimeImmutable;
use Lantern\Core\People\Subscription;

/** Whoever a message is for, as far as it matters whether they may be written to. */
final readonly class Recipient
{
    /**
     * @param  Subscription|null  $suppressed  how their address was lost for all messages: bounced or complained; null where it was not
     * @param  bool  $optedOut  did they choose to get no more of what this message is one of?
     * @param  DateTimeImmutable|null  $quietUntil  until when they chose to hear nothing
     */
    public function __construct(
        public Subscription $subscription = Subscription::Subscribed,
        public ?Subscription $suppressed = null,
        public bool $optedOut = false,
        public ?DateTimeImmutable $quietUntil = null,
    ) {
    }
}
