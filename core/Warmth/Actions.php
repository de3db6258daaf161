<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

use Lantern\Core\Events\EventType;

/** Which action something that happened is. */
final class Actions
{
    /** The roles of pages of which a look says something, as they are stored. */
    public const PAGES = ['sales' => Action::SawSales, 'checkout' => Action::Checkout];

    /** @param  string  $role  of the page it happened on; '' for none */
    public static function of(EventType $type, string $role): ?Action
    {
        return match ($type) {
            EventType::Viewed => self::PAGES[$role] ?? null,
            EventType::Joined => Action::Joined,
            EventType::Opened => Action::Opened,
            EventType::Clicked => Action::Clicked,
            EventType::Downloaded => Action::Downloaded,
            EventType::GuideRead => Action::Read,
            EventType::GuideFinished => Action::Finished,
            EventType::Registered => Action::Registered,
            // Whoever left early was there, too.
            EventType::Attended, EventType::LeftEarly => Action::Came,
            EventType::SawOffer => Action::Stayed,
            EventType::WatchedReplay => Action::Replay,
            EventType::Bought => Action::Bought,
            default => null,
        };
    }

    /** @return list<EventType> those that are any */
    public static function types(): array
    {
        return array_values(array_filter(EventType::cases(),
            fn (EventType $t): bool => $t === EventType::Viewed || self::of($t, '') !== null));
    }
}
