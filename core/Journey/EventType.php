<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use Lantern\Core\Funnel\Outcome;

/** What can happen between a funnel and a visitor. */
enum EventType: string
{
    case Viewed = 'viewed';
    case Joined = 'joined';
    case Downloaded = 'downloaded';
    case Unsubscribed = 'unsubscribed';

    /** The outcome of the page it happened on, if it is one that leads on. */
    public function outcome(): ?Outcome
    {
        return match ($this) {
            self::Joined => Outcome::Joined,
            default => null,
        };
    }
}
