<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use Lantern\Core\Attention\Intervals;

/**
 * One person in one webinar: the one place where it is decided where their link leads, what of a report is taken, what the room shows,
 * what became of them, and how their replay stands.
 */
final readonly class Attendee
{
    /** Seconds after the offer appeared in which it counts as new. */
    private const JUST = 30;

    /** Whoever comes so near to the end of what is played has come to it. Seconds; likewise where it is begun anew. */
    private const NEAR_END = 5;

    private const AGAIN = 2;

    /** Seconds for which a device may still tell of what it played. */
    public const AWAY = 45;

    /**
     * @param  bool  $open  is the session before them or on, and not settled or cancelled yet?
     * @param  Intervals  $live  what they have seen of the session itself, on all their devices; likewise of the `replay`
     * @param  list<AttendanceOutcome>  $told  outcomes that have come true for them already
     */
    public function __construct(
        public SessionRoom $room,
        public RegistrationState $state,
        public bool $open,
        public Intervals $live,
        public Intervals $replay,
        public array $told = [],
    ) {
    }

    public function place(): AttendeePlace
    {
        return match (true) {
            $this->state !== RegistrationState::Registered => AttendeePlace::Confirmation,
            ! $this->open && ! $this->room->session->isOnDemand() => AttendeePlace::Replay,
            default => AttendeePlace::Room,
        };
    }

    /** What was seen counts until it is settled what became of the session; of a replay, always. */
    public function takes(WatchKind $kind, DateTimeImmutable $now): ReportTaken
    {
        if ($kind === WatchKind::Replay) {
            return match (true) {
                ! $this->mayTellOfReplay($now) => ReportTaken::Refused,
                $this->room->isCancelled() => ReportTaken::Ignored,
                default => ReportTaken::All,
            };
        }
        $state = $this->room->session->isOnDemand() ? RoomState::On : $this->room->state($now);

        return match (true) {
            $this->state !== RegistrationState::Registered || ! $this->open || $this->room->isCancelled() => ReportTaken::Ignored,
            $state === RoomState::Closed => ReportTaken::Ignored,
            // Nothing is played before it begins, whatever a device says.
            $state === RoomState::Opening => ReportTaken::Presence,
            default => ReportTaken::All,
        };
    }

    /** May they ask and be heard in the room? */
    public function maySpeak(): bool
    {
        return $this->state === RegistrationState::Registered && ! $this->room->isCancelled();
    }

    /** The second up to which anything can have been seen. */
    public function reached(WatchKind $kind, DateTimeImmutable $now): int
    {
        return $this->goesByThemselves($kind) ? $this->room->length : $this->room->second($now);
    }

    /** @return list<AttendanceOutcome> what has come true by what they have seen so far, and is told at once */
    public function comesTrue(WatchKind $kind): array
    {
        $outcomes = $this->outcomes(false);
        $second = $this->room->webinar->offer?->second;
        if ($kind === WatchKind::Replay && $second !== null && ($this->replay->until() ?? 0) > $second) {
            $outcomes[] = AttendanceOutcome::SawOffer;
        }

        return array_values(array_filter([AttendanceOutcome::SawOffer, AttendanceOutcome::WatchedReplay],
            fn (AttendanceOutcome $o): bool => in_array($o, $outcomes, true) && ! in_array($o, $this->told, true)));
    }

    /**
     * What became of them, once it is over.
     *
     * @return list<AttendanceOutcome>|null nothing while it cannot be said, since the host still speaks
     */
    public function became(DateTimeImmutable $now): ?array
    {
        return match (true) {
            $this->room->isStillOn($now) => null,
            $this->state !== RegistrationState::Registered || ! $this->room->tookPlace() => [],
            default => array_values(array_filter($this->outcomes(true), fn (AttendanceOutcome $o): bool => ! in_array($o, $this->told,
                true))),
        };
    }

    /** Of what begins whenever its person likes: have they come to its end? */
    public function hasComeToEnd(): bool
    {
        return ($this->live->until() ?? 0) >= $this->room->length - self::NEAR_END;
    }

    public function hasAttended(): bool
    {
        return in_array(AttendanceOutcome::Attended, $this->told, true)
            || $this->room->webinar->threshold->isReached($this->live, $this->room->length);
    }

    public function shows(WatchKind $kind, DateTimeImmutable $now): RoomView
    {
        $alone = $this->goesByThemselves($kind);
        $state = match (true) {
            $this->state === RegistrationState::Cancelled || $this->room->isCancelled() => 'cancelled',
            $this->state === RegistrationState::Waiting => 'waiting',
            $alone => RoomState::On->value,
            default => $this->room->state($now)->value,
        };
        $second = $alone ? (($kind === WatchKind::Replay ? $this->replay : $this->live)->until() ?? 0) : $this->room->second($now);
        $offerAt = $kind === WatchKind::Replay ? $this->room->webinar->offer?->second : $this->room->offerAt();
        $offerAt = in_array($state, [RoomState::On->value, RoomState::Over->value], true) ? $offerAt : null;
        // Where its person decides which second it is, their device shows it when it comes to it.
        $offer = $offerAt !== null && ($alone || $second >= $offerAt);

        return new RoomView($state, $alone && $second >= $this->room->length - self::AGAIN ? 0 : $second,
            $alone ? 0 : $this->room->beginsIn($now), $offerAt, $offer, $offer && $second < $offerAt + self::JUST
                && ! in_array(AttendanceOutcome::SawOffer, $this->told, true), ! $alone,
            $state === RoomState::Over->value ? $this->hasAttended() : null);
    }

    /** How the replay stands for them. */
    public function replay(DateTimeImmutable $now): ReplayState
    {
        $session = $this->room->session;

        return $this->state !== RegistrationState::Registered || $this->room->webinar->replay === null ? ReplayState::Closed
            : $this->room->webinar->replay->state($session, $session->zone, $this->room->webinar->zone(), $this->toldOfReplay(), $now);
    }

    private function mayTellOfReplay(DateTimeImmutable $now): bool
    {
        $session = $this->room->session;

        return $this->state === RegistrationState::Registered && $this->room->webinar->replay?->mayBeTold($session, $session->zone,
            $this->room->webinar->zone(), $this->toldOfReplay(), $now, self::AWAY) === true;
    }

    /** @return list<AttendanceOutcome> by which it is told for whom the replay is */
    private function toldOfReplay(): array
    {
        return array_values(array_filter($this->told, fn (AttendanceOutcome $o): bool => $o === AttendanceOutcome::Attended));
    }

    /** @return list<AttendanceOutcome> */
    private function outcomes(bool $over): array
    {
        return $this->room->webinar->threshold->outcomes($this->live, $this->replay, $this->room->length, $this->room->offerAt(), $over);
    }

    /** Do they decide themselves which second is played? */
    private function goesByThemselves(WatchKind $kind): bool
    {
        return $kind === WatchKind::Replay || $this->room->session->isOnDemand();
    }
}
