<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Lantern\Core\Rehearsal\Seat;
use Lantern\Core\Webinars\AttendanceOutcome;
use PHPUnit\Framework\TestCase;

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
}
