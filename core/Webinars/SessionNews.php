<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;

/** What somebody is told of their session on the page that shows it. */
enum SessionNews: string
{
    /** Nobody is registered here. */
    case None = 'none';
    /** There was no session to choose: they hear of the next one. */
    case List = 'list';
    /** They have chosen one in this browser, and the rest is in their inbox. */
    case Inbox = 'inbox';
    case Registered = 'registered';
    case Waiting = 'waiting';
    case Cancelled = 'cancelled';
    case Over = 'over';

    /**
     * @param  bool|null  $chose  did the form that was filled in here choose a session? Null where none was filled in.
     * @param  RegistrationState|null  $state  of their registration; null where they have none; then its session
     * @param  bool  $open  is it before them or on, and not settled yet?
     */
    public static function of(?bool $chose, ?RegistrationState $state, ?Session $session, bool $open, DateTimeImmutable $now): self
    {
        return match (true) {
            $state === null || $session === null => match ($chose) {
                null => self::None,
                false => self::List,
                true => self::Inbox,
            },
            $state === RegistrationState::Cancelled => self::Cancelled,
            ! $open || (! $session->isOnDemand() && $session->endsAt <= $now) => self::Over,
            $state === RegistrationState::Waiting => self::Waiting,
            default => self::Registered,
        };
    }
}
