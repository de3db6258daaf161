<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Rehearsal\Seat;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\Session;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** What becomes of somebody in several sessions of a webinar, one after the other. */
final class SeatTest extends TestCase
{
    public function test_a_new_session_begins_anew_and_what_became_of_earlier_ones_is_not_forgotten(): void
    {
        $first = Seat::taken(null)->told(AttendanceOutcome::LeftEarly)->settled();
        $second = Seat::taken($first)->told(AttendanceOutcome::Missed)->settled();
        $third = Seat::taken($second);

        self::assertSame([['left-early'], ['left-early']], [$first->became(false), $first->ever(false)]);
        self::assertSame([['missed'], ['missed', 'left-early']], [$second->became(false), $second->ever(false)]);
        self::assertSame([['registered'], ['registered', 'left-early', 'missed']], [$third->became(false), $third->ever(false)]);
        self::assertSame([], $third->became(true), 'whoever waits for a place is not registered');
    }

    public function test_of_a_real_person_it_is_known_in_which_session_it_was_by_whether_theirs_has_begun(): void
    {
        $plan = Plans::of(Goal::Webinar);
        $webinar = $plan->webinars[0];
        $at = fn (string $moment): DateTimeImmutable => new DateTimeImmutable("{$moment} UTC");
        $registered = RegisteredSession::of($webinar, new Session('s', $at('2027-04-14 18:00'), $at('2027-04-14 19:00'),
            new DateTimeZone('UTC')), $at('2027-04-10 10:00'), false);
        $known = PersonState::unknown(new DateTimeZone('UTC'))->withRegistration($registered)->withWebinar($webinar->id,
            ['registered', 'attended']);
        $seat = fn (string $now): ?Seat => (new Rehearsal(RehearsalTest::stage($plan)))->begin(new Visitor, $at($now), $known)
            ->seats[$webinar->id] ?? null;

        self::assertSame([['registered'], ['registered', 'attended']], [$seat('2027-04-14 17:59')?->became(false),
            $seat('2027-04-14 17:59')?->ever(false)]);
        self::assertSame(['registered', 'attended'], $seat('2027-04-14 18:00')?->became(false));
    }
}
