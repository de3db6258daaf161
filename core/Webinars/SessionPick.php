<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;

/** Whether a session that somebody chooses is theirs, and how. */
final class SessionPick
{
    /**
     * The place somebody has in a session that they choose.
     *
     * @param  string  $key  as it was chosen, trusted in nothing
     * @param  DateTimeZone  $zone  theirs
     * @param  array<string, int>  $taken  places that others have, by key
     * @param  list<string>  $calledOff  keys of the sessions that the host has cancelled
     * @return RegisteredSession|null nothing for a session that is none, is over, or can no longer be registered for
     */
    public static function of(Webinar $webinar, string $key, DateTimeZone $zone, array $taken, array $calledOff,
        DateTimeImmutable $now): ?RegisteredSession
    {
        $sessions = $webinar->sessions();
        $session = $sessions->find($key, $zone, $now);
        // Not years ahead, whatever the key says.
        $last = $now->modify('+'.($webinar->schedule->ahead + 1).' days');
        if ($session === null || in_array($key, $calledOff, true) || $session->startsAt > $last) {
            return null;
        }
        // Whenever it is told to them, it is told on their own clock.
        $session = new Session($session->key, $session->startsAt, $session->endsAt, $zone);

        return match ($sessions->choice($session, $now, $taken[$session->key] ?? 0)->state) {
            SessionState::Open => RegisteredSession::of($webinar, $session, $now),
            SessionState::Full => RegisteredSession::of($webinar, $session, $now, true),
            default => null,
        };
    }

    /**
     * May a form give somebody another session than the one they have? Only if it is sure that it is them: by a link in an email to
     * them, or since the place they have was taken in this very browser. Otherwise they keep it, and are written to.
     */
    public static function mayMove(bool $hasOne, bool $theirs, bool $takenHere): bool
    {
        return ! $hasOne || $theirs || $takenHere;
    }
}
