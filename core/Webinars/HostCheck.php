<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;

/** What the host of a session may do with it now. Each answer is why not, in one sentence; nothing where it may be done. */
final class HostCheck
{
    /** Minutes before its start at which a session can be begun. */
    public const EARLIEST = 60;

    /** Minutes in which an end can be undone. */
    public const UNDO = 10;

    public static function begin(Session $session, HostActs $host, DateTimeImmutable $now): ?string
    {
        return match (true) {
            $host->begunAt !== null => 'It has begun already.',
            $now < $session->startsAt->modify('-'.self::EARLIEST.' minutes') => 'It can be begun an hour before its time at the earliest.',
            default => null,
        };
    }

    public static function end(HostActs $host): ?string
    {
        return match (true) {
            $host->begunAt === null => 'It has not begun yet.',
            $host->endedAt !== null => 'It has ended already.',
            default => null,
        };
    }

    /** @param  bool  $settled  is it settled what became of those who were there? */
    public static function reopen(HostActs $host, bool $settled, DateTimeImmutable $now): ?string
    {
        return match (true) {
            $host->endedAt === null => 'It has not ended.',
            $now > $host->endedAt->modify('+'.self::UNDO.' minutes') => 'It ended more than '.self::UNDO
                .' minutes ago, and those who were there have been told.',
            $settled => 'What became of those who were there is settled already: their emails are on their way.',
            default => null,
        };
    }

    public static function offer(SessionRoom $room, DateTimeImmutable $now): ?string
    {
        return match (true) {
            $room->webinar->offer === null => 'This webinar has no offer. Choose one on its desk.',
            $room->state($now) !== RoomState::On => 'The offer can be shown while the session is on.',
            default => null,
        };
    }

    /** The second at which an offer appears that is shown by hand now; null where it appears by itself before. */
    public static function offerSecond(SessionRoom $room, HostActs $host, DateTimeImmutable $now): ?int
    {
        $planned = $room->webinar->offer?->second;

        // Shown again after it was hidden, it keeps the moment at which it first appeared.
        return $host->offerSecond ?? ($planned !== null && $planned <= $room->second($now) ? null : $room->second($now));
    }

    public static function cancel(Session $session, HostActs $host, DateTimeImmutable $now): ?string
    {
        return $host->endedAt !== null || ($host->begunAt === null && $now > $session->endsAt)
            ? 'It is over: there is nothing left to cancel.' : null;
    }

    /** @param  Session|null  $to  where everybody is moved; null for one that is none */
    public static function move(Session $from, ?Session $to, DateTimeImmutable $now): ?string
    {
        return match (true) {
            $to === null || $to->startsAt <= $now || $to->key === $from->key => 'Please choose another session that is still to come.',
            $from->startsAt <= $now => 'This session has begun: nobody can be moved any more.',
            default => null,
        };
    }

    /**
     * May somebody who waits for a place have one that has become free?
     *
     * @param  int  $taken  places that others have
     */
    public static function hasPlace(Webinar $webinar, Session $session, int $taken, DateTimeImmutable $now): bool
    {
        return $session->startsAt > $now && ($webinar->schedule->places === null || $taken < $webinar->schedule->places);
    }
}
