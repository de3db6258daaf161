<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Events\Trigger\WebinarOutcome;
use Lantern\Core\Events\Trigger\WebinarRegistered;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\RegisterForSession;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\StartDeadline;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\Replan;
use Lantern\Core\Sequences\SendWindow;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\Replay;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionAnchor;
use Lantern\Core\Webinars\SessionMoment;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Journey\Known;
use Tests\Core\Plan\Plans;

/** What follows from registering for a session, from having another one, and from what becomes of it. */
final class SessionJourneyTest extends TestCase
{
    private const NOW = '2027-03-01 10:00';

    private static function at(string $when): DateTimeImmutable
    {
        return new DateTimeImmutable($when, new DateTimeZone('UTC'));
    }

    private static function registered(string $starts = '2027-03-09 17:00', bool $waiting = false,
        string $chosen = self::NOW): RegisteredSession
    {
        return RegisteredSession::of(self::webinar(), new Session('s'.self::at($starts)->format('YmdHi'), self::at($starts),
            self::at($starts)->modify('+1 hour'), new DateTimeZone('America/New_York')), self::at($chosen), $waiting);
    }

    private static function webinar(): Webinar
    {
        return new Webinar('w', 'Webinar', 'First melody', new Schedule(ScheduleKind::Dates, 'Europe/Berlin'), WebinarMode::Live,
            replay: new Replay(30, 2, '20:00'), tags: ['left-early' => ['Left early'], 'missed' => ['Missed it', 'Cold']]);
    }

    private static function plan(): Plan
    {
        $mail = fn (string $id, SessionAnchor $anchor, int $minutes = 0): EmailPlan => new EmailPlan($id, $id, $id, '<p>x</p>',
            SessionMoment::of($anchor, $minutes, webinar: 'w'), 'q');

        return Plan::fromArray(['parts' => [...Plans::of(Goal::GiveAway)->toArray()['parts'], ...array_map(
            fn ($p): array => ['kind' => $p::kind()] + $p->toArray(), [self::webinar(),
                new SequencePlan('q', 'Reminders', new Triggers([new WebinarRegistered('w')])),
                new EmailPlan('welcome', 'welcome', 'welcome', '<p>x</p>', Delay::atOnce(), 'q'),
                $mail('day', SessionAnchor::BeforeStart, 1440), $mail('start', SessionAnchor::Start),
                $mail('after', SessionAnchor::AfterEnd, 60), $mail('end', SessionAnchor::BeforeReplayEnds, 180),
                new SequencePlan('cold', 'Those who missed it', new Triggers([new WebinarOutcome('w', AttendanceOutcome::Missed)])),
                new EmailPlan('cold-1', 'cold', 'cold', '<p>x</p>', Delay::atOnce(), 'cold'),
                new Deadline('d', 'Offer', new Triggers([new WebinarOutcome('w', AttendanceOutcome::SawOffer)]), Duration::days(3)),
            ])]] + Plans::of(Goal::GiveAway)->toArray());
    }

    /** @return array<string, string> when emails are sent, by id */
    private static function emails(Decision $decision): array
    {
        $emails = [];
        foreach ($decision->effectsOf(SendEmail::class) as $effect) {
            $emails[$effect->email] = $effect->at->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d H:i');
        }

        return $emails;
    }

    private static function decided(RegisteredSession $registered, PersonState $person, string $now = self::NOW): Decision
    {
        return (new Journey(self::plan()))->decide($person, new Event(EventType::Registered, self::at($now), webinar: 'w',
            registered: $registered));
    }

    public function test_a_form_that_registers_books_first_and_its_emails_are_told_from_the_session(): void
    {
        $plan = self::plan();
        $decision = (new Journey($plan))->decide(Known::person('America/New_York'), new Event(EventType::Joined,
            self::at(self::NOW), $plan->pages[0]->id, $plan->forms[0]->id, registered: self::registered()));

        self::assertInstanceOf(RegisterForSession::class, $decision->effects[0]);
        self::assertContains('q', array_map(fn (StartSequence $s): string => $s->sequence, $decision->effectsOf(StartSequence::class)));
        // The replay ends at 20:00 in New York, whose clocks have not changed yet on the eleventh.
        self::assertSame(['welcome' => '2027-03-01 10:00', 'day' => '2027-03-08 17:00', 'start' => '2027-03-09 17:00',
            'after' => '2027-03-09 19:00', 'end' => '2027-03-11 22:00'], array_diff_key(self::emails($decision),
                array_flip(array_map(fn (EmailPlan $e): string => $e->id, $plan->emailsOf($plan->sequences[0]->id)))));
    }

    public function test_whoever_is_in_the_sequence_gets_the_emails_of_another_session_anew_and_no_others(): void
    {
        $person = Known::person('UTC', emails: ['welcome', 'day', 'start', 'after', 'end'], sequences: ['q' => true],
            registrations: ['w' => self::registered()]);
        $decision = self::decided(self::registered('2027-03-16 17:00', chosen: '2027-03-08 18:00'), $person, '2027-03-08 18:00');

        self::assertSame(['day' => '2027-03-15 17:00', 'start' => '2027-03-16 17:00', 'after' => '2027-03-16 19:00',
            'end' => '2027-03-18 21:00'], self::emails($decision));
        self::assertSame([], $decision->effectsOf(StartSequence::class));
    }

    public function test_whoever_waits_for_a_place_gets_what_comes_at_once_and_no_reminders(): void
    {
        self::assertSame(['welcome' => '2027-03-01 10:00'], self::emails(self::decided(self::registered(waiting: true),
            Known::person('UTC'))));
    }

    /** @return iterable<string, array{EventType, list<string>, list<string>, bool}> tags, sequences, does the deadline begin */
    public static function outcomes(): iterable
    {
        yield 'left early' => [EventType::LeftEarly, ['Left early'], [], false];
        yield 'missed' => [EventType::Missed, ['Missed it', 'Cold'], ['cold'], false];
        yield 'attended' => [EventType::Attended, [], [], false];
        yield 'saw the offer' => [EventType::SawOffer, [], [], true];
        yield 'watched the replay' => [EventType::WatchedReplay, [], [], false];
    }

    /**
     * @param  list<string>  $tags
     * @param  list<string>  $sequences
     */
    #[DataProvider('outcomes')]
    public function test_what_became_of_it_gives_tags_and_starts_what_waits_for_it(EventType $type, array $tags, array $sequences,
        bool $deadline): void
    {
        $decide = fn (string $webinar): Decision => (new Journey(self::plan()))->decide(Known::person('UTC'),
            new Event($type, self::at(self::NOW), webinar: $webinar));
        $decision = $decide('w');

        self::assertSame($tags, array_map(fn (AddTag $t): string => $t->tag, $decision->effectsOf(AddTag::class)));
        self::assertSame($sequences, array_map(fn (StartSequence $s): string => $s->sequence, $decision->effectsOf(StartSequence::class)));
        self::assertCount($deadline ? 1 : 0, $decision->effectsOf(StartDeadline::class));
        self::assertSame([], $decide('another')->effects);
    }

    public function test_a_version_with_other_reminders_replans_them_and_a_place_that_is_lost_ends_them(): void
    {
        $plan = self::plan();
        $timing = new Timing($plan->sequence('q') ?? new SequencePlan('q', ''), new DateTimeZone('UTC'), new DateTimeZone('UTC'));
        $waits = fn (string $due): array => ['state' => MessageState::Waiting, 'due' => self::at($due)];
        $messages = ['day' => $waits('2027-03-08 09:00'), 'start' => $waits('2027-03-09 17:00')];
        $replan = Replan::of($timing, $plan->emailsOf('q'), $messages, self::at(self::NOW), self::at(self::NOW),
            registrations: ['w' => self::registered()]);

        self::assertSame(['day'], array_keys($replan->move));
        self::assertSame(['welcome', 'after', 'end'], array_keys($replan->plan));
        $lost = Replan::of($timing, $plan->emailsOf('q'), $messages, self::at(self::NOW), self::at(self::NOW));
        self::assertSame([['day', 'start'], ['day', 'start']], [$lost->cancel, $lost->outrun]);
    }

    public function test_reminders_wait_for_no_window_and_what_comes_afterwards_does(): void
    {
        $nights = new SequencePlan('q', 'Reminders', window: new SendWindow([1, 2, 3, 4, 5], 9, 12));
        $timing = new Timing($nights, new DateTimeZone('UTC'), new DateTimeZone('UTC'));
        $due = fn (SessionAnchor $anchor, int $minutes): string => (string) $timing->moment(new EmailPlan('e', 'e', 'e', '',
            SessionMoment::of($anchor, $minutes, webinar: 'w'), 'q'), self::at(self::NOW), 0, [], ['w' => self::registered()])
            ?->format('Y-m-d H:i');

        self::assertSame(['2027-03-09 16:00', '2027-03-10 09:00'], [$due(SessionAnchor::BeforeStart, 60), $due(SessionAnchor::AfterEnd,
            60)]);
    }

    /** @return iterable<string, array{SessionAnchor, int, string}> */
    public static function words(): iterable
    {
        yield 'a day' => [SessionAnchor::BeforeStart, 1440, '1 day before it starts'];
        yield 'hours' => [SessionAnchor::BeforeStart, 120, '2 hours before it starts'];
        yield 'minutes' => [SessionAnchor::BeforeStart, 90, '90 minutes before it starts'];
        yield 'the start' => [SessionAnchor::Start, 0, 'when it starts'];
        yield 'the end' => [SessionAnchor::AfterEnd, 0, 'when it has ended'];
        yield 'after it' => [SessionAnchor::AfterEnd, 1, '1 minute after it ends'];
        yield 'the replay' => [SessionAnchor::BeforeReplayEnds, 180, '3 hours before the replay ends'];
    }

    #[DataProvider('words')]
    public function test_its_moment_in_words(SessionAnchor $anchor, int $minutes, string $words): void
    {
        self::assertSame($words, SessionMoment::of($anchor, $minutes)->words());
    }
}
