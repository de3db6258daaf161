<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Attention\Intervals;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\AttendanceThreshold;
use Lantern\Core\Webinars\Attendee;
use Lantern\Core\Webinars\HostActs;
use Lantern\Core\Webinars\OfferMoment;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\Replay;
use Lantern\Core\Webinars\ReplayAudience;
use Lantern\Core\Webinars\ReplayState;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionNews;
use Lantern\Core\Webinars\SessionRoom;
use Lantern\Core\Webinars\WatchKind;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** One person in one webinar: an hour from 18:00, with an offer at its 45th minute, and a replay for three days. */
final class AttendeeTest extends TestCase
{
    private static function at(string $time = '18:00', string $day = '2027-03-09'): DateTimeImmutable
    {
        return new DateTimeImmutable("{$day} {$time} UTC");
    }

    /** @param  array<string, mixed>  $with */
    private static function attendee(array $with = []): Attendee
    {
        $webinar = new Webinar('w', 'Webinar', 'First melody', new Schedule(ScheduleKind::Dates, 'UTC'),
            $with['mode'] ?? WebinarMode::Automated,
            offer: ($with['offer'] ?? true) ? new OfferMoment('o', $with['offerSecond'] ?? 2700) : null,
            threshold: new AttendanceThreshold(percent: 60), replay: ($with['replays'] ?? true) ? $with['theReplay'] ?? new Replay(60, 3,
                '23:00') : null);
        $onDemand = $with['onDemand'] ?? false;
        $session = new Session($onDemand ? 'd' : 's1', self::at(), self::at('19:00'), new DateTimeZone('UTC'));

        return new Attendee(SessionRoom::of($webinar, $session, $with['host'] ?? new HostActs, 3600),
            $with['state'] ?? RegistrationState::Registered, $with['open'] ?? true, Intervals::of($with['live'] ?? []),
            Intervals::of($with['replay'] ?? []), $with['told'] ?? []);
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function places(): iterable
    {
        yield 'before it and in it' => ['Room', []];
        yield 'once it is settled' => ['Replay', ['open' => false]];
        yield 'whenever they like, also afterwards' => ['Room', ['open' => false, 'onDemand' => true]];
        yield 'waiting for a place' => ['Confirmation', ['state' => RegistrationState::Waiting]];
        yield 'cancelled' => ['Confirmation', ['state' => RegistrationState::Cancelled, 'open' => false]];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('places')]
    public function test_where_their_link_leads(string $expected, array $with): void
    {
        self::assertSame($expected, self::attendee($with)->place()->name);
    }

    /** @return iterable<string, array{string, string, 2?: array<string, mixed>, 3?: WatchKind, 4?: string}> */
    public static function reports(): iterable
    {
        $replay = WatchKind::Replay;
        yield 'while it is on' => ['All', '18:00'];
        yield 'just before: they are there, and can have seen nothing' => ['Presence', '17:59:59'];
        yield 'too early' => ['Ignored', '17:44:59'];
        yield 'the last of it comes a little later' => ['All', '19:01'];
        yield 'it is settled' => ['Ignored', '19:01', ['open' => false]];
        yield 'waiting for a place' => ['Ignored', '18:10', ['state' => RegistrationState::Waiting]];
        yield 'called off' => ['Ignored', '18:10', ['host' => new HostActs(cancelled: true)]];
        yield 'whenever they like' => ['All', '03:00', ['onDemand' => true]];
        yield 'a live one that its host has not begun' => ['Presence', '18:10', ['mode' => WebinarMode::Live]];
        yield 'the replay, too early' => ['Refused', '19:59', ['open' => false], $replay];
        yield 'the replay' => ['All', '20:00', ['open' => false], $replay];
        yield 'the replay, when it has just ended' => ['All', '23:00:44', ['open' => false], $replay, '2027-03-12'];
        yield 'the replay, when it is over' => ['Refused', '23:00:45', ['open' => false], $replay, '2027-03-12'];
        yield 'the replay of a session that was called off' => ['Ignored', '20:00',
            ['open' => false, 'host' => new HostActs(cancelled: true)],
            $replay];
        yield 'the replay, of those who had no place' => ['Refused', '20:00', ['state' => RegistrationState::Waiting], $replay];
        yield 'a replay that there is not' => ['Refused', '20:00', ['replays' => false], $replay];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('reports')]
    public function test_what_is_taken_of_a_report(string $expected, string $time, array $with = [], WatchKind $kind = WatchKind::Live,
        string $day = '2027-03-09'): void
    {
        self::assertSame($expected, self::attendee($with)->takes($kind, self::at($time, $day))->name);
    }

    /** @return iterable<string, array{list<string>|null, array<string, mixed>, 2?: string}> */
    public static function outcomes(): iterable
    {
        $live = ['mode' => WebinarMode::Live];
        yield 'to the end' => [['attended', 'saw-offer'], ['live' => [[0, 3600]]]];
        yield 'just long enough' => [['attended'], ['live' => [[0, 2160]]]];
        yield 'not quite' => [['left-early'], ['live' => [[0, 2159]]]];
        yield 'late, and to the end: the offer was still in sight' => [['saw-offer', 'left-early'], ['live' => [[2800, 3600]]]];
        yield 'what was told before is not told again' => [['attended'], ['live' => [[0, 3600]], 'told' => [AttendanceOutcome::SawOffer]]];
        yield 'never came' => [['missed'], []];
        yield 'waited for a place' => [[], ['state' => RegistrationState::Waiting]];
        yield 'the host never began' => [[], $live, '19:00'];
        yield 'the host has ended it' => [['missed'], $live + ['host' => new HostActs(self::at(), self::at('18:50'))], '18:50'];
        yield 'the host still speaks' => [null, $live + ['host' => new HostActs(self::at())], '19:30'];
        yield 'the host forgot to end it' => [['missed'], $live + ['host' => new HostActs(self::at())], '22:00'];
        yield 'the offer came after the planned end' => [['attended', 'saw-offer'], $live + ['live' => [[0, 4200]],
            'host' => new HostActs(self::at(), self::at('19:10'), offerSecond: 3900)], '19:10'];
        yield 'the offer was taken out of sight' => [['attended'], $live + ['live' => [[0, 3600]],
            'host' => new HostActs(self::at(), self::at('19:00'), offerHidden: true)], '19:00'];
    }

    /**
     * @param  list<string>|null  $expected
     * @param  array<string, mixed>  $with
     */
    #[DataProvider('outcomes')]
    public function test_what_became_of_them(?array $expected, array $with, string $time = '19:00:30'): void
    {
        $became = self::attendee($with)->became(self::at($time));

        self::assertSame($expected, $became === null ? null : array_map(fn (AttendanceOutcome $o): string => $o->value, $became));
    }

    /** @return iterable<string, array{list<string>, array<string, mixed>, 2?: WatchKind}> */
    public static function atOnce(): iterable
    {
        yield 'nothing before the offer' => [[], ['live' => [[0, 2700]]]];
        yield 'the offer' => [['saw-offer'], ['live' => [[0, 2701]]]];
        yield 'once' => [[], ['live' => [[0, 2701]], 'told' => [AttendanceOutcome::SawOffer]]];
        yield 'a minute of the replay' => [['watched-replay'], ['replay' => [[0, 60]]], WatchKind::Replay];
        yield 'less of it' => [[], ['replay' => [[0, 59]]], WatchKind::Replay];
        yield 'the offer in the replay' => [['saw-offer', 'watched-replay'], ['replay' => [[0, 2701]]], WatchKind::Replay];
        yield 'up to the offer in the replay, and not beyond' => [['watched-replay'], ['replay' => [[0, 2700]]], WatchKind::Replay];
        yield 'no offer at all' => [['watched-replay'], ['replay' => [[0, 3000]], 'offer' => false], WatchKind::Replay];
    }

    /**
     * @param  list<string>  $expected
     * @param  array<string, mixed>  $with
     */
    #[DataProvider('atOnce')]
    public function test_what_comes_true_at_once(array $expected, array $with, WatchKind $kind = WatchKind::Live): void
    {
        self::assertSame($expected, array_map(fn (AttendanceOutcome $o): string => $o->value, self::attendee($with)->comesTrue($kind)));
    }

    /** @return iterable<string, array{array<int, mixed>, string, 2?: array<string, mixed>, 3?: WatchKind}> state, second, offer, attended */
    public static function rooms(): iterable
    {
        $live = fn (HostActs $host): array => ['mode' => WebinarMode::Live, 'host' => $host];
        yield 'too early' => [['closed', 0, false, null], '17:00'];
        yield 'about to begin' => [['opening', 0, false, null], '17:50'];
        yield 'on, before the offer' => [['on', 2699, false, null], '18:44:59'];
        yield 'the offer appears' => [['on', 2700, true, null], '18:45'];
        yield 'over, and they were not there' => [['over', 3600, true, false], '19:00'];
        yield 'over, and they were' => [['over', 3600, true, true], '19:00', ['live' => [[0, 3000]]]];
        yield 'over, as it was told' => [['over', 3600, true, true], '19:00', ['told' => [AttendanceOutcome::Attended]]];
        yield 'called off' => [['cancelled', 600, false, null], '18:10', ['host' => new HostActs(cancelled: true)]];
        yield 'waiting for a place' => [['waiting', 600, false, null], '18:10', ['state' => RegistrationState::Waiting]];
        yield 'a host who speaks for longer, and shows the offer then' => [['on', 3900, true, null], '19:05',
            $live(new HostActs(self::at(), offerSecond: 3900))];
        yield 'a host who began late' => [['on', 300, false, null], '18:15', $live(new HostActs(self::at('18:10')))];
        yield 'whenever they like: where they were' => [['on', 900, true, null], '03:00', ['onDemand' => true, 'live' => [[0, 900]]]];
        yield 'whenever they like: from the start again' => [['on', 0, true, null], '03:00', ['onDemand' => true, 'live' => [[0, 3598]]]];
        yield 'the replay: where they were in it' => [['on', 60, true, null], '20:00', ['open' => false, 'live' => [[0, 900]],
            'replay' => [[0, 60]]], WatchKind::Replay];
    }

    /**
     * @param  array<int, mixed>  $expected
     * @param  array<string, mixed>  $with
     */
    #[DataProvider('rooms')]
    public function test_what_the_room_shows(array $expected, string $time, array $with = [], WatchKind $kind = WatchKind::Live): void
    {
        $shows = self::attendee($with)->shows($kind, self::at($time));

        self::assertSame($expected, [$shows->state, $shows->second, $shows->offer, $shows->attended]);
    }

    public function test_an_offer_is_fresh_for_half_a_minute_until_it_was_seen(): void
    {
        $fresh = fn (string $time, array $with = []): bool => self::attendee($with)->shows(WatchKind::Live, self::at($time))->offerIsFresh;

        self::assertSame([false, true, true, false, false], [$fresh('18:44:59'), $fresh('18:45:00'), $fresh('18:45:29'),
            $fresh('18:45:30'), $fresh('18:45:00', ['told' => [AttendanceOutcome::SawOffer]])]);
    }

    public function test_what_can_have_been_seen(): void
    {
        self::assertSame(600, self::attendee()->reached(WatchKind::Live, self::at('18:10')));
        self::assertSame(3600, self::attendee()->reached(WatchKind::Live, self::at('23:10')));
        self::assertSame(3600, self::attendee()->reached(WatchKind::Replay, self::at('18:10')));
        self::assertSame(4200, self::attendee(['mode' => WebinarMode::Live, 'host' => new HostActs(self::at())])
            ->reached(WatchKind::Live, self::at('19:10')), 'a host who speaks for longer');
        self::assertSame([false, true], [self::attendee(['live' => [[0, 3594]]])->hasComeToEnd(),
            self::attendee(['live' => [[0, 3595]]])->hasComeToEnd()]);
    }

    public function test_how_the_replay_stands_for_them(): void
    {
        self::assertSame([ReplayState::Soon, ReplayState::Open, ReplayState::Over], array_map(
            fn (array $at): ReplayState => self::attendee()->replay(self::at(...$at)), [['19:30'], ['20:00'], ['23:00', '2027-03-12']]));
        self::assertSame(ReplayState::Closed, self::attendee(['state' => RegistrationState::Waiting])->replay(self::at('20:00')));
        self::assertSame(ReplayState::Closed, self::attendee(['replays' => false])->replay(self::at('20:00')));
    }

    public function test_votes_are_taken_together_and_a_replay_has_the_offer_of_its_recording(): void
    {
        $shows = fn (array $with, WatchKind $kind = WatchKind::Live) => self::attendee($with)->shows($kind, self::at('18:50'));
        self::assertSame([true, false, false], [$shows([])->poll, $shows(['onDemand' => true])->poll, $shows([], WatchKind::Replay)->poll]);
        $shown = ['mode' => WebinarMode::Live, 'host' => new HostActs(self::at(), offerSecond: 300)];
        self::assertSame([300, 2700], [$shows($shown)->offerAt, $shows($shown, WatchKind::Replay)->offerAt]);
    }

    public function test_a_replay_that_is_for_those_who_missed_it(): void
    {
        $replay = new Replay(60, 3, '23:00', for: ReplayAudience::NotAttended);
        $of = fn (AttendanceOutcome ...$told): ReplayState => self::attendee(['told' => array_values($told), 'open' => false,
            'theReplay' => $replay])->replay(self::at('20:00'));

        self::assertSame([ReplayState::Open, ReplayState::Closed], [$of(AttendanceOutcome::SawOffer), $of(AttendanceOutcome::Attended)]);
    }

    public function test_who_may_speak(): void
    {
        self::assertSame([true, false, false], [self::attendee()->maySpeak(), self::attendee(['state' => RegistrationState::Waiting])
            ->maySpeak(), self::attendee(['host' => new HostActs(cancelled: true)])->maySpeak()]);
    }

    /** @return iterable<string, array{SessionNews, bool|null, RegistrationState|null, 3?: bool, 4?: string, 5?: string}> */
    public static function news(): iterable
    {
        yield 'nobody' => [SessionNews::None, null, null];
        yield 'there was nothing to choose' => [SessionNews::List, false, null];
        yield 'chosen, and not theirs yet' => [SessionNews::Inbox, true, null];
        yield 'registered' => [SessionNews::Registered, true, RegistrationState::Registered];
        yield 'registered, while it is on' => [SessionNews::Registered, null, RegistrationState::Registered, true, '18:59:59'];
        yield 'at its end' => [SessionNews::Over, null, RegistrationState::Registered, true, '19:00'];
        yield 'settled' => [SessionNews::Over, null, RegistrationState::Registered, false, '17:00'];
        yield 'whenever they like' => [SessionNews::Registered, null, RegistrationState::Registered, true, '23:00', 'd'];
        yield 'waiting' => [SessionNews::Waiting, null, RegistrationState::Waiting];
        yield 'waited in vain' => [SessionNews::Over, null, RegistrationState::Waiting, true, '19:00'];
        yield 'cancelled' => [SessionNews::Cancelled, null, RegistrationState::Cancelled, false];
    }

    #[DataProvider('news')]
    public function test_what_they_are_told_of_their_session(SessionNews $expected, ?bool $chose, ?RegistrationState $state,
        bool $open = true,
        string $time = '17:00', string $key = 's1'): void
    {
        $session = $state === null ? null : new Session($key, self::at(), self::at('19:00'), new DateTimeZone('UTC'));

        self::assertSame($expected, SessionNews::of($chose, $state, $session, $open, self::at($time)));
    }
}
