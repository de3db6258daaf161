<?php

declare(strict_types=1);

namespace Lantern\Core\People\State;

/** What people do, as far as rules can ask for it. */
enum Deed: string
{
    case Viewed = 'viewed';
    case Joined = 'joined';
    case Downloaded = 'downloaded';
    case Bought = 'bought';
    case WasSent = 'was-sent';
    case Opened = 'opened';
    case Clicked = 'clicked';

    /** Those that are kept as events of the same name. */
    public const EVENTS = [self::Viewed, self::Joined, self::Downloaded, self::Bought];

    /** The deed that an event of this type is; null where rules cannot ask for it. */
    public static function ofEvent(string $type): ?self
    {
        $deed = self::tryFrom($type);

        return in_array($deed, self::EVENTS, true) ? $deed : null;
    }

    /** Is it about an email, and not about a page or a funnel? */
    public function isOfMail(): bool
    {
        return in_array($this, [self::WasSent, self::Opened, self::Clicked], true);
    }

    /** In a sentence about people: “saw”, “did not see”. */
    public function words(bool $not): string
    {
        [$yes, $no] = match ($this) {
            self::Viewed => ['saw', 'did not see'],
            self::Joined => ['joined', 'did not join'],
            self::Downloaded => ['downloaded', 'did not download'],
            self::Bought => ['bought', 'did not buy'],
            self::WasSent => ['was sent', 'was not sent'],
            self::Opened => ['opened', 'did not open'],
            self::Clicked => ['clicked in', 'did not click in'],
        };

        return $not ? $no : $yes;
    }
}
