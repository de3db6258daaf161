<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

/** What somebody does that says how warm they are. */
enum Action: string
{
    case Joined = 'joined';
    case Opened = 'opened';
    case Clicked = 'clicked';
    case Downloaded = 'downloaded';
    case Read = 'read';
    case Finished = 'finished';
    case SawSales = 'saw-sales';
    case Checkout = 'checkout';
    case Registered = 'registered';
    case Came = 'came';
    case Stayed = 'stayed';
    case Asked = 'asked';
    case Replay = 'replay';
    case Bought = 'bought';

    /** Of whoever has done it: "opened an email". */
    public function did(): string
    {
        return match ($this) {
            self::Joined => 'joined',
            self::Opened => 'opened an email',
            self::Clicked => 'clicked in an email',
            self::Downloaded => 'downloaded the lead magnet',
            self::Read => 'read in a guide',
            self::Finished => 'finished a guide',
            self::SawSales => 'looked at a sales page',
            self::Checkout => 'came to the checkout',
            self::Registered => 'registered for a webinar',
            self::Came => 'came to a webinar',
            self::Stayed => 'stayed to the offer',
            self::Asked => 'asked a question',
            self::Replay => 'watched the replay',
            self::Bought => 'bought something',
        };
    }

    /** As a thing to be weighed: "Clicks in emails". */
    public function label(): string
    {
        return match ($this) {
            self::Joined => 'Joined',
            self::Opened => 'Opened an email',
            self::Clicked => 'Clicked in an email',
            self::Downloaded => 'Downloaded the lead magnet',
            self::Read => 'Read in a guide',
            self::Finished => 'Finished a guide',
            self::SawSales => 'Looked at a sales page',
            self::Checkout => 'Came to the checkout',
            self::Registered => 'Registered for a webinar',
            self::Came => 'Came to a webinar',
            self::Stayed => 'Stayed to the offer',
            self::Asked => 'Asked a question there',
            self::Replay => 'Watched the replay',
            self::Bought => 'Bought something',
        };
    }

    /** Points, until the owner says otherwise. Opens count little: mail programs open by themselves. */
    public function usual(): int
    {
        return match ($this) {
            self::Opened => 1,
            self::Downloaded => 5,
            self::Clicked => 6,
            self::Registered, self::Read => 8,
            self::Joined, self::SawSales, self::Replay => 10,
            self::Asked => 12,
            self::Finished => 14,
            self::Came, self::Stayed => 15,
            self::Checkout => 20,
            self::Bought => 25,
        };
    }
}
