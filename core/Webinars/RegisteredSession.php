<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;

/** That somebody is registered for a session of a webinar, or waits for a place in it. */
final readonly class RegisteredSession
{
    /**
     * @param  string  $webinar  its id
     * @param  DateTimeImmutable  $at  when they chose this session
     * @param  bool  $waiting  is there no place for them yet?
     * @param  ReplayWindow|null  $replay  when they can watch the replay; null where there is none
     */
    public function __construct(
        public string $webinar,
        public Session $session,
        public DateTimeImmutable $at,
        public bool $waiting = false,
        public ?ReplayWindow $replay = null,
    ) {
    }

    /** Somebody's place in a session of a webinar, with the replay as it is for them. */
    public static function of(Webinar $webinar, Session $session, DateTimeImmutable $at, bool $waiting = false): self
    {
        return new self($webinar->id, $session, $at, $waiting, $webinar->replay?->window($session, $session->zone, $webinar->zone()));
    }
}
