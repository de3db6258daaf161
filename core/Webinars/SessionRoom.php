<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateInterval;
use DateTimeImmutable;

/** The room of one session, with what its host has done in it: how long it is, where it stands, and what is in sight. */
final readonly class SessionRoom
{
    /**
     * @param  int  $length  seconds of what is played; of a live one, what it has come to or was planned for
     * @param  DateTimeImmutable|null  $begun  when it began; null while a live one has not
     */
    private function __construct(
        public Webinar $webinar,
        public Session $session,
        public int $length,
        public ?DateTimeImmutable $begun,
        private Room $room,
        private HostActs $host,
    ) {
    }

    /** @param  int  $recorded  seconds of the recording; of the planned session where there is none, or its file does not say */
    public static function of(Webinar $webinar, Session $session, HostActs $host, int $recorded): self
    {
        if ($webinar->mode === WebinarMode::Automated) {
            return new self($webinar, $session, $recorded, $session->startsAt, Room::played($session, $recorded), $host);
        }
        $end = $host->endedAt ?? $session->endsAt->modify('+'.Room::FORGOTTEN.' minutes');
        // What a host forgot to end counts as long as it was planned.
        $length = $host->begunAt === null ? $webinar->schedule->minutes * 60
            : max(1, ($host->endedAt ?? $session->endsAt)->getTimestamp() - $host->begunAt->getTimestamp());

        return new self($webinar, $session, min($length, max(1, $end->getTimestamp()
            - ($host->begunAt ?? $session->startsAt)->getTimestamp())), $host->begunAt, Room::live($session, $host->begunAt,
                $host->endedAt),
            $host);
    }

    public function state(DateTimeImmutable $now): RoomState
    {
        return $this->room->state($now);
    }

    /** The second it has come to. A host may speak for longer than planned: then it is more than the planned length. */
    public function second(DateTimeImmutable $now): int
    {
        return $this->room->second($now);
    }

    public function beginsIn(DateTimeImmutable $now): int
    {
        return $this->room->beginsIn($now);
    }

    /** The second at which the offer appears, or appeared; null where it does not. */
    public function offerAt(): ?int
    {
        return $this->webinar->offer === null || $this->host->offerHidden ? null
            : $this->host->offerSecond ?? $this->webinar->offer->second;
    }

    /** Is the offer in sight of everybody now? */
    public function showsOffer(DateTimeImmutable $now): bool
    {
        return $this->offerAt() !== null && $this->state($now) === RoomState::On && $this->second($now) >= $this->offerAt();
    }

    /** When a second of the session is; null while a live one has not begun. */
    public function moment(int $second): ?DateTimeImmutable
    {
        return $this->begun?->add(new DateInterval('PT'.max(0, $second).'S'));
    }

    public function isCancelled(): bool
    {
        return $this->host->cancelled;
    }

    /** Did it take place? What is played from a recording always does; a live one only if its host began it. */
    public function tookPlace(): bool
    {
        return $this->webinar->mode === WebinarMode::Automated || $this->host->begunAt !== null;
    }

    /** Does the host still speak, or has forgotten to end it? */
    public function isStillOn(DateTimeImmutable $now): bool
    {
        return $this->webinar->mode === WebinarMode::Live && ! $this->session->isOnDemand() && $this->state($now) !== RoomState::Over;
    }
}
