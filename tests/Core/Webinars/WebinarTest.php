<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\Invitation;
use Lantern\Core\Webinars\Replay;
use Lantern\Core\Webinars\ReplayState;
use Lantern\Core\Webinars\Room;
use Lantern\Core\Webinars\RoomState;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionAnchor;
use Lantern\Core\Webinars\SessionMoment;
use Lantern\Core\Webinars\Webinar;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;

final class WebinarTest extends TestCase
{
    private const ALL = ['id' => 'w1', 'name' => 'First melody', 'title' => 'From Open Strings to Your First Melody',
        'schedule' => ['kind' => 'dates', 'zone' => 'Europe/Berlin', 'dates' => ['2027-03-09T18:00'], 'minutes' => 60, 'offered' => 3,
            'ahead' => 30],
        'mode' => 'automated', 'video' => 'v1', 'pauses' => true, 'offer' => ['offer' => 'o1', 'second' => 2400],
        'threshold' => ['percent' => 50], 'replay' => ['delay' => 30, 'days' => 3, 'time' => '23:00', 'for' => 'not-attended'],
        'showsPlaces' => true];

    public function test_a_webinar_is_written_as_it_was_read_and_knows_what_it_speaks_of(): void
    {
        $webinar = Webinar::fromShape(Shape::of(self::ALL));
        self::assertSame(self::ALL, $webinar->toArray());
        self::assertSame([['o1'], [], ['v1']], [$webinar->references(), $webinar->needs(), $webinar->uploads()]);
        $copy = $webinar->withIds(['w1' => 'w2', 'o1' => 'o2', 'v1' => 'v2']);
        self::assertSame(['id' => 'w2', 'video' => 'v2', 'offer' => ['offer' => 'o2', 'second' => 2400]] + self::ALL,
            array_merge(['id' => '', 'video' => '', 'offer' => ''] + self::ALL, $copy->toArray()));
        self::assertSame([[], ['Changed webinar: “First melody”.']], [$webinar->changesSince($webinar),
            Webinar::fromShape(Shape::of(['pauses' => false] + self::ALL))->changesSince($webinar)]);
        $plain = ['mode' => 'live', 'video' => '', 'pauses' => false, 'showsPlaces' => false, 'offer' => null, 'replay' => null];
        self::assertNull(Webinar::fromShape(Shape::of($plain + self::ALL))->replay);
        $demand = ['schedule' => ['kind' => 'on-demand', 'zone' => 'UTC'], 'pauses' => false] + self::ALL;
        self::assertTrue(Webinar::fromShape(Shape::of($demand))->mayPause());
        self::assertFalse(Webinar::fromShape(Shape::of(['pauses' => false] + self::ALL))->mayPause());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is wrong, and where it is said */
    public static function wrong(): iterable
    {
        $live = ['mode' => 'live'];
        yield 'no name' => [['name' => ' '], 'name'];
        yield 'a name that is a list' => [['name' => ['a']], 'name'];
        yield 'no schedule' => [['schedule' => null], 'schedule'];
        yield 'a zone that is none' => [['schedule' => ['kind' => 'dates', 'zone' => 'Mars/Base']], 'schedule.zone'];
        yield 'live whenever somebody comes' => [$live + ['schedule' => ['kind' => 'on-demand', 'zone' => 'UTC']], 'mode'];
        yield 'live soon after registering' => [$live + ['schedule' => ['kind' => 'soon', 'zone' => 'UTC']], 'mode'];
        yield 'live in every zone' => [$live + ['schedule' => ['kind' => 'dates', 'zone' => 'UTC', 'theirs' => true]], 'mode'];
        yield 'a stream that runs script' => [['stream' => 'javascript:alert(1)'], 'stream'];
        yield 'a stream with a quote' => [['stream' => 'https://a.example/"onload="'], 'stream'];
        yield 'an offer without one' => [['offer' => ['second' => 3]], 'offer.offer'];
        yield 'an offer before the beginning' => [['offer' => ['offer' => 'o1', 'second' => -1]], 'offer.second'];
        yield 'a replay until no time' => [['replay' => ['days' => 1, 'time' => '24:00']], 'replay.time'];
        yield 'a replay until no day' => [['replay' => ['until' => '2027-02-30T10:00']], 'replay.until'];
        yield 'a replay for nobody known' => [['replay' => ['for' => 'all']], 'replay.for'];
        yield 'a share above all' => [['threshold' => ['percent' => 101]], 'threshold.percent'];
    }

    /** @param  array<string, mixed>  $change */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_by_its_place(array $change, string $path): void
    {
        try {
            Webinar::fromShape(Shape::of($change + self::ALL));
        } catch (Invalid $wrong) {
            self::assertSame($path, $wrong->path);

            return;
        }
        self::fail('It was taken.');
    }

    public function test_a_schedule_is_a_sentence(): void
    {
        $words = fn (array $with): string => Schedule::fromShape(Shape::of($with + ['kind' => 'dates', 'zone' => 'America/New_York']))
            ->words();
        $every = ['kind' => 'recurring', 'times' => ['18:00', '09:30'], 'recurrence' => ['every' => 'month', 'days' => [2], 'nth' => 2,
            'from' => '2027-01-01']];
        self::assertSame('on the second Tuesday of every month at 09:30 and 18:00, America/New York', $words($every));
        self::assertSame('on no date yet, each visitor’s own time', $words(['theirs' => true]));
        self::assertSame('on 9 March 2027 at 18:00, America/New York', $words(['dates' => ['2027-03-09T18:00']]));
        self::assertSame(['at the next quarter of an hour', 'at the next half hour', 'at the next full hour'], array_map(
            fn (int $step): string => $words(['kind' => 'soon', 'step' => $step]), Schedule::STEPS));
        self::assertSame('whenever somebody likes', $words(['kind' => 'on-demand']));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string, string, ?string}> rules, session, zone, opens, ends */
    public static function replays(): iterable
    {
        $three = ['delay' => 30, 'days' => 3, 'time' => '23:00'];
        yield 'three days' => [$three, '2027-03-09 17:00', 'Europe/Berlin', '2027-03-09 18:30', '2027-03-12 22:00'];
        yield 'the clocks go forward meanwhile' => [$three, '2027-03-26 17:00', 'Europe/Berlin', '2027-03-26 18:30', '2027-03-29 21:00'];
        yield 'the clocks go back meanwhile' => [$three, '2027-10-29 16:00', 'Europe/Berlin', '2027-10-29 17:30', '2027-11-01 22:00'];
        yield 'the day is that of their zone' => [$three, '2027-03-09 17:00', 'Pacific/Auckland', '2027-03-09 18:30', '2027-03-13 10:00'];
        yield 'half an hour off' => [$three, '2027-03-09 19:00', 'Asia/Kolkata', '2027-03-09 20:30', '2027-03-13 17:30'];
        yield 'a time that is skipped' => [['days' => 2, 'time' => '02:30'] + $three, '2027-03-26 17:00', 'Europe/Berlin',
            '2027-03-26 18:30', '2027-03-28 01:30'];
        yield 'for everyone' => [['delay' => 0, 'until' => '2027-03-20T20:00'], '2027-03-09 17:00', 'Asia/Kolkata', '2027-03-09 18:00',
            '2027-03-20 19:00'];
        yield 'the earlier of both' => [$three + ['until' => '2027-03-10T20:00'], '2027-03-09 17:00', 'UTC', '2027-03-09 18:30',
            '2027-03-10 19:00'];
        yield 'without an end' => [['delay' => 0], '2027-03-09 17:00', 'UTC', '2027-03-09 18:00', null];
        yield 'over before it opens' => [['delay' => 600, 'days' => 0, 'time' => '23:00'], '2027-03-09 17:00', 'UTC', '', null];
    }

    /** @param  array<string, mixed>  $rules */
    #[DataProvider('replays')]
    public function test_a_replay_opens_and_ends(array $rules, string $start, string $zone, string $opens, ?string $ends): void
    {
        $berlin = new DateTimeZone('Europe/Berlin');
        $zone = new DateTimeZone($zone);
        $session = $this->session($start);
        $replay = Replay::fromShape(Shape::of($rules));
        $window = $replay->window($session, $zone, $berlin);
        self::assertSame([$opens, $ends], [$window?->opensAt->format('Y-m-d H:i') ?? '', $window?->endsAt?->format('Y-m-d H:i')]);
        $state = fn (string $at): ReplayState => $replay->state($session, $zone, $berlin, [], new DateTimeImmutable($at));
        self::assertSame(ReplayState::Soon, $state($start));
        if ($window === null) {
            self::assertSame(ReplayState::Over, $state('2027-03-09 18:00'));

            return;
        }
        $justBefore = $window->opensAt->modify('-1 second')->format('c');
        self::assertSame([ReplayState::Soon, ReplayState::Open], [$state($justBefore), $state($opens)]);
        self::assertSame($ends === null ? ReplayState::Open : ReplayState::Over, $state($ends ?? '2099-01-01'));
        self::assertSame(ReplayState::Open, $state($ends === null ? '2098-01-01' : "{$ends} - 1 second"));
    }

    public function test_a_device_tells_of_a_replay_while_it_is_open_and_a_moment_longer(): void
    {
        $session = $this->session('2027-03-09 17:00');
        $utc = new DateTimeZone('UTC');
        $told = fn (string $at, AttendanceOutcome ...$o): bool => Replay::fromShape(Shape::of(['delay' => 30, 'days' => 1,
            'time' => '20:00', 'for' => 'attended']))->mayBeTold($session, $utc, $utc, array_values($o), new DateTimeImmutable($at), 45);
        $attended = AttendanceOutcome::Attended;
        $cases = ['2027-03-09 16:59' => false, '2027-03-09 18:29:59' => false, '2027-03-09 18:30' => true, '2027-03-10 19:59:59' => true,
            '2027-03-10 20:00:44' => true, '2027-03-10 20:00:45' => false];
        foreach ($cases as $at => $may) {
            self::assertSame($may, $told($at, $attended), $at);
        }
        self::assertFalse($told('2027-03-09 19:00', AttendanceOutcome::Missed), 'whoever it is not for');
    }

    public function test_a_replay_is_for_some_alone(): void
    {
        $session = $this->session('2027-03-09 17:00');
        $utc = new DateTimeZone('UTC');
        $state = fn (string $for, string $at, AttendanceOutcome ...$o): ReplayState => Replay::fromShape(Shape::of(['delay' => 0,
            'for' => $for]))->state($session, $utc, $utc, array_values($o), new DateTimeImmutable($at));
        self::assertSame(ReplayState::Open, $state('not-attended', '2027-03-09 18:00', AttendanceOutcome::LeftEarly));
        self::assertSame(ReplayState::Closed, $state('not-attended', '2027-03-09 18:00', AttendanceOutcome::Attended));
        self::assertSame(ReplayState::Soon, $state('not-attended', '2027-03-09 17:59', AttendanceOutcome::Attended));
        self::assertSame(ReplayState::Open, $state('attended', '2027-03-09 18:00', AttendanceOutcome::Attended));
        self::assertSame(ReplayState::Closed, $state('attended', '2027-03-09 18:00', AttendanceOutcome::Missed));
        self::assertSame(ReplayState::Open, $state('registered', '2027-03-09 18:00', AttendanceOutcome::Missed));
    }

    /** @return iterable<string, array{SessionAnchor, int, string, ?string, string}> anchor, minutes, registered, due, lapses */
    public static function moments(): iterable
    {
        $before = SessionAnchor::BeforeStart;
        yield 'a day before' => [$before, 1440, '2027-03-01', '2027-03-08 17:00', '2027-03-09 05:00'];
        yield 'a day before, registered within it' => [$before, 1440, '2027-03-08 17:01', null, '2027-03-09 05:00'];
        yield 'a day before, registered a minute less than four hours before that' => [$before, 1440, '2027-03-08 13:01', null,
            '2027-03-09 05:00'];
        yield 'a day before, registered four hours before that' => [$before, 1440, '2027-03-08 13:00', '2027-03-08 17:00',
            '2027-03-09 05:00'];
        yield 'an hour before, registered ten minutes before' => [$before, 60, '2027-03-09 16:50', null, '2027-03-09 16:30'];
        yield 'ten minutes before, registered fifteen before' => [$before, 10, '2027-03-09 16:45', '2027-03-09 16:50', '2027-03-09 16:55'];
        yield 'ten minutes before, registered fourteen before' => [$before, 10, '2027-03-09 16:46', null, '2027-03-09 16:55'];
        yield 'at the start' => [SessionAnchor::Start, 0, '2027-03-09 16:50', '2027-03-09 17:00', '2027-03-09 18:00'];
        yield 'at the start, registered during it' => [SessionAnchor::Start, 0, '2027-03-09 17:01', null, '2027-03-09 18:00'];
        yield 'after it' => [SessionAnchor::AfterEnd, 30, '2027-03-09 17:20', '2027-03-09 18:30', '2027-03-11 18:30'];
        yield 'before the replay ends' => [SessionAnchor::BeforeReplayEnds, 120, '2027-03-01', '2027-03-12 20:00', '2027-03-12 22:00'];
        yield 'before the replay has opened' => [SessionAnchor::BeforeReplayEnds, 5000, '2027-03-01', null, '2027-03-12 22:00'];
    }

    #[DataProvider('moments')]
    public function test_emails_come_by_the_session_if_they_still_make_sense(SessionAnchor $anchor, int $minutes, string $registered,
        ?string $due, string $lapses): void
    {
        $moment = SessionMoment::fromShape(Shape::of(SessionMoment::of($anchor, $minutes)->toArray()));
        $session = $this->session('2027-03-09 17:00');
        $berlin = new DateTimeZone('Europe/Berlin');
        $replay = (new Replay(0, 3))->window($session, $berlin, $berlin);
        self::assertSame($due, $moment->due($session, new DateTimeImmutable($registered), $replay)?->format('Y-m-d H:i'));
        self::assertSame($lapses, $moment->lapses($session, $replay)->format('Y-m-d H:i'));
    }

    public function test_nothing_speaks_of_a_replay_that_is_none_and_times_are_bounded(): void
    {
        $moment = SessionMoment::of(SessionAnchor::BeforeReplayEnds, 60);
        self::assertNull($moment->due($this->session('2027-03-09 17:00'), new DateTimeImmutable('2027-03-01')));
        foreach ([0, -1, SessionMoment::MOST_MINUTES + 1, PHP_INT_MAX] as $minutes) {
            try {
                SessionMoment::of(SessionAnchor::BeforeStart, $minutes);
                self::fail("{$minutes} minutes before were taken.");
            } catch (Invalid $wrong) {
                self::assertSame('minutes', $wrong->path);
            }
        }
    }

    public function test_the_clock_says_which_second_of_a_recording_is_played(): void
    {
        $room = Room::played($this->session('2027-03-09 17:00'), 1800);
        $at = function (string $time) use ($room): array {
            $now = new DateTimeImmutable("2027-03-09 {$time}");

            return [$room->state($now), $room->second($now), $room->beginsIn($now)];
        };
        self::assertSame([RoomState::Closed, 0, 901], $at('16:44:59'));
        self::assertSame([RoomState::Opening, 0, 900], $at('16:45'));
        self::assertSame([RoomState::On, 0, 0], $at('17:00'));
        self::assertSame([RoomState::On, 120, 0], $at('17:02'));
        self::assertSame([RoomState::Over, 1800, 0], $at('17:30'));
        self::assertSame([RoomState::Over, 1800, 0], $at('19:00'));
    }

    public function test_a_live_session_begins_and_ends_when_its_host_says_so(): void
    {
        $session = $this->session('2027-03-09 17:00');
        $at = function (string $time, string $begun = '', string $ended = '') use ($session): array {
            $moment = fn (string $t): ?DateTimeImmutable => $t === '' ? null : new DateTimeImmutable("2027-03-09 {$t}");
            $room = Room::live($session, $moment($begun), $moment($ended));
            $now = new DateTimeImmutable("2027-03-09 {$time}");

            return [$room->state($now), $room->second($now)];
        };
        self::assertSame([RoomState::Opening, 0], $at('17:10'), 'its host is late');
        self::assertSame([RoomState::Over, 0], $at('18:00'), 'its host never came');
        self::assertSame([RoomState::On, 300], $at('17:10', '17:05'));
        self::assertSame([RoomState::On, 60], $at('16:58', '16:57'), 'begun early');
        self::assertSame([RoomState::On, 3900], $at('18:10', '17:05'), 'longer than planned');
        self::assertSame([RoomState::Over, 3600], $at('18:10', '17:05', '18:05'));
        self::assertSame([RoomState::On, 3300], $at('18:00', '17:05', '18:05'));
        self::assertSame([RoomState::Over, 14_400], $at('21:00', '17:00'), 'its host forgot to end it');
        self::assertSame([RoomState::Over, 0], $at('16:50', '', '16:49'), 'called off');
    }

    public function test_a_calendar_reads_the_session_its_change_and_its_end(): void
    {
        $session = $this->session('2027-03-09 17:00');
        $title = "Melody; with\0 commas, and\x07 ümlauts\r\nBEGIN:VEVENT\u{2028}".str_repeat('long ', 30);
        $file = fn (int $sequence, bool $cancelled): string => (new Invitation('r1@webinars', $sequence, $title, 'Bring your bow.',
            'https://ferncroft.example/room/abc', "Imke \"the\x1B host\"; Adair", 'imke@ferncroft.example', $session,
            new DateTimeImmutable('2027-03-01 10:00', new DateTimeZone('Europe/Berlin')), $cancelled))->file();
        $first = $file(0, false);
        foreach (explode("\r\n", $first) as $line) {
            self::assertLessThanOrEqual(75, strlen($line), 'lines are folded');
            self::assertStringNotContainsString("\n", $line);
        }
        $read = Reader::read($first);
        self::assertInstanceOf(VCalendar::class, $read);
        self::assertSame([], $read->validate());
        self::assertCount(1, $read->select('VEVENT'));
        $event = $read->VEVENT;
        self::assertSame(['r1@webinars', '0', '20270301T090000Z', '20270309T170000Z', '20270309T180000Z', 'CONFIRMED',
            'Melody; with commas, and ümlauts BEGIN:VEVENT '.trim(str_repeat('long ', 30))], [(string) $event->UID,
                (string) $event->SEQUENCE, (string) $event->DTSTAMP,
                (string) $event->DTSTART, (string) $event->DTEND, (string) $event->STATUS, (string) $event->SUMMARY]);
        self::assertDoesNotMatchRegularExpression('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', $first, 'RFC 5545, 3.1');
        self::assertSame("Bring your bow.\n\nhttps://ferncroft.example/room/abc", (string) $event->DESCRIPTION);
        self::assertSame(['-PT1440M', '-PT15M'], array_map(fn ($a): string => (string) $a->TRIGGER, $event->select('VALARM')));
        $gone = Reader::read($file(2, true));
        self::assertSame([], $gone->validate());
        self::assertSame(['CANCEL', 'CANCELLED', '2', 0], [(string) $gone->METHOD, (string) $gone->VEVENT->STATUS,
            (string) $gone->VEVENT->SEQUENCE, count($gone->VEVENT->select('VALARM'))]);
    }

    /** An hour long. */
    private function session(string $start): Session
    {
        $at = new DateTimeImmutable($start, new DateTimeZone('UTC'));

        return new Session('s'.$at->format('YmdHi'), $at, $at->modify('+60 minutes'), new DateTimeZone('Europe/Berlin'));
    }
}
