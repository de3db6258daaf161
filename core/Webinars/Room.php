<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;

/**
 * Where the room of a session stands. What is played from a recording goes by the clock alone: no device decides which second it
 * is. A live session begins and ends when its host says so.
 */
final readonly class Room
{
    /** Minutes before the start at which the room is open, with its countdown. */
    public const OPENS = 15;

    /** Minutes after its planned end at which a live session is over that its host forgot to end. */
    public const FORGOTTEN = 180;

    private function __construct(
        private DateTimeImmutable $startsAt,
        private ?DateTimeImmutable $begun,
        private DateTimeImmutable $endsAt,
        private DateTimeImmutable $plannedEnd,
    ) {
    }

    /** @param  int  $length  of the recording, in seconds */
    public static function played(Session $session, int $length): self
    {
        $end = $session->startsAt->modify("+{$length} seconds");

        return new self($session->startsAt, $session->startsAt, $end, $end);
    }

    /**
     * @param  DateTimeImmutable|null  $begun  when its host began it, likewise `ended`
     */
    public static function live(Session $session, ?DateTimeImmutable $begun, ?DateTimeImmutable $ended): self
    {
        $forgotten = $session->endsAt->modify('+'.self::FORGOTTEN.' minutes');

        return new self($session->startsAt, $begun, $ended ?? $forgotten, $session->endsAt);
    }

    public function state(DateTimeImmutable $now): RoomState
    {
        return match (true) {
            // A host who speaks for longer than planned is not cut off; a session that never began is over at its planned end.
            $now >= ($this->begun === null ? min($this->plannedEnd, $this->endsAt) : $this->endsAt) => RoomState::Over,
            $this->begun !== null && $now >= $this->begun => RoomState::On,
            $now >= $this->startsAt->modify('-'.self::OPENS.' minutes') => RoomState::Opening,
            default => RoomState::Closed,
        };
    }

    /** The second it has come to; 0 before it begins, and its last when it is over. */
    public function second(DateTimeImmutable $now): int
    {
        return $this->begun === null ? 0 : max(0, min($now, $this->endsAt)->getTimestamp() - $this->begun->getTimestamp());
    }

    /** Seconds until it should begin; 0 from then on. */
    public function beginsIn(DateTimeImmutable $now): int
    {
        return max(0, $this->startsAt->getTimestamp() - $now->getTimestamp());
    }
}
