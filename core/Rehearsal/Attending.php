<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\Attendee;
use Lantern\Core\Webinars\HostActs;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\SessionRoom;
use Lantern\Core\Webinars\WatchKind;

/** What somebody's session comes to. Its host begins and ends it on time, and shows what was planned. */
final readonly class Attending
{
    public function __construct(private Stage $stage, private Following $following)
    {
    }

    /** Them in their session, as the room knows them; null where they have none. */
    public static function attendee(Stage $stage, Life $life, string $webinar): ?Attendee
    {
        $found = $stage->plan->webinar($webinar);
        $registered = $life->person->registrations()[$webinar] ?? null;
        $seat = $life->seats[$webinar] ?? null;
        if ($found === null || $registered === null || $seat === null) {
            return null;
        }
        $session = $registered->session;
        $room = SessionRoom::of($found, $session, new HostActs(begunAt: $session->startsAt, endedAt: $session->endsAt), $stage
            ->length($found));

        return new Attendee($room, $registered->waiting ? RegistrationState::Waiting : RegistrationState::Registered, $seat->open,
            $seat->live,
            $seat->replay, $seat->told);
    }

    /** They have played so many seconds: what has come true by it is told at once. */
    public function plays(Life $life, string $webinar, WatchKind $kind, int $from, int $until): void
    {
        $life->seats[$webinar] = $life->seats[$webinar]->watched($kind === WatchKind::Replay, $from, $until);
        foreach (self::attendee($this->stage, $life, $webinar)?->comesTrue($kind) ?? [] as $outcome) {
            $this->comes($life, $webinar, $outcome);
        }
    }

    public function comes(Life $life, string $webinar, AttendanceOutcome $outcome): void
    {
        $life->seats[$webinar] = $life->seats[$webinar]->told($outcome);
        $name = $this->stage->plan->nameOf($webinar);
        $life->tell(HappeningKind::Session, $webinar, match ($outcome) {
            AttendanceOutcome::Attended => "They attended “{$name}”.",
            AttendanceOutcome::SawOffer => "They saw the offer in “{$name}”.",
            AttendanceOutcome::LeftEarly => "They left “{$name}” early.",
            AttendanceOutcome::Missed => "They missed “{$name}”.",
            AttendanceOutcome::WatchedReplay => "They watched the replay of “{$name}”.",
        }, ['outcome' => $outcome->value]);
        $this->following->take($life, new Event(EventType::from($outcome->value), $life->now, webinar: $webinar));
    }
}
