<?php

declare(strict_types=1);

namespace Tests\Core\Journey;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Deadlines\Edge;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\CancelEmails;
use Lantern\Core\Journey\Effects\GiveProduct;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\StartDeadline;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SendWindow;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionAnchor;
use Lantern\Core\Webinars\SessionMoment;
use Lantern\Core\Webinars\Webinar;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** What is due at this very moment is due, and a decision can follow a decision without a database. */
final class EdgesTest extends TestCase
{
    private static function at(string $moment = '2026-12-01 12:00'): DateTimeImmutable
    {
        return new DateTimeImmutable("{$moment} UTC");
    }

    private static function webinar(): Webinar
    {
        return new Webinar('w', 'Webinar', 'First melody', new Schedule(ScheduleKind::Dates, 'UTC'), replay: null);
    }

    /** A sequence that a tag starts, of emails told from a deadline and from a session; another tag starts the deadline. */
    private static function plan(): Plan
    {
        $email = fn (string $id, ?DeadlineMoment $by, ?SessionMoment $session): EmailPlan => new EmailPlan($id, $id, $id, '<p>x</p>',
            $by ?? $session ?? Delay::atOnce(), 'q');
        $plan = Plans::of(Goal::GiveAway);

        return $plan->with([...$plan->parts, self::webinar(),
            new SequencePlan('q', 'Q', new Triggers([new TagAdded('In')]), new Triggers([new TagAdded('Out')]), again: true),
            Deadline::fromShape(Shape::of(['id' => 'd', 'name' => 'Price', 'duration' => ['minutes' => 60],
                'starts' => [['kind' => 'tag', 'tag' => 'Go']]])),
            $email('start', DeadlineMoment::of('d', Edge::Start), null), $email('before', DeadlineMoment::of('d', Edge::End, -60), null),
            $email('earlier', DeadlineMoment::of('d', Edge::End, -61), null),
            $email('session', null, SessionMoment::of(SessionAnchor::BeforeStart, 60, webinar: 'w')),
            $email('too-late', null, SessionMoment::of(SessionAnchor::BeforeStart, 120, webinar: 'w'))]);
    }

    private static function tagged(PersonState $person, string $tag, string $now = '2026-12-01 12:00'): PersonState
    {
        return self::decided($person, $tag, $now)->appliedTo($person->withTags([$tag]), self::at($now));
    }

    private static function decided(PersonState $person, string $tag, string $now = '2026-12-01 12:00'): \Lantern\Core\Journey\Decision
    {
        return (new Journey(self::plan()))->listen($person->withTags([$tag]), new Event(EventType::Tagged, self::at($now), tag: $tag));
    }

    /** @return list<string> */
    private static function sent(\Lantern\Core\Journey\Decision $decision): array
    {
        return array_map(fn (SendEmail $e): string => $e->email, $decision->effectsOf(SendEmail::class));
    }

    public function test_an_email_that_is_due_as_its_deadline_begins_is_sent_and_one_that_was_due_before_is_not(): void
    {
        $in = self::tagged(PersonState::unknown(new DateTimeZone('UTC')), 'In');

        self::assertSame(['start', 'before'], self::sent(self::decided($in, 'Go')));
        $running = self::tagged(PersonState::unknown(new DateTimeZone('UTC')), 'Go');
        self::assertSame(['start', 'before'], self::sent(self::decided($running, 'In')), 'also for whoever enters as it begins');
        self::assertSame([], self::sent(self::decided($running, 'In', '2026-12-01 12:01')));
    }

    public function test_a_reminder_that_is_still_to_come_is_sent_and_those_of_a_session_before_are_gone(): void
    {
        $in = self::tagged(PersonState::unknown(new DateTimeZone('UTC')), 'In');
        $session = RegisteredSession::of(self::webinar(), new Session('s1', self::at('2026-12-01 14:00'), self::at('2026-12-01 15:00'),
            new DateTimeZone('UTC')), self::at());
        $decision = (new Journey(self::plan()))->decide($in, new Event(EventType::Registered, self::at(), webinar: 'w',
            registered: $session));

        self::assertSame(['session'], self::sent($decision));
        // Another session takes the place of the first, and of its emails.
        $registered = $decision->appliedTo($in, self::at());
        $later = RegisteredSession::of(self::webinar(), new Session('s2', self::at('2026-12-02 13:00'), self::at('2026-12-02 14:00'),
            new DateTimeZone('UTC')), self::at());
        $again = (new Journey(self::plan()))->decide($registered, new Event(EventType::Registered, self::at(), webinar: 'w',
            registered: $later));
        self::assertSame(['cancelled', 'waiting', 'waiting'], array_map(fn ($e): string => $e->state->value,
            $again->appliedTo($registered, self::at())->emails()));
    }

    public function test_what_one_decision_did_counts_for_the_next(): void
    {
        $person = self::tagged(self::tagged(PersonState::unknown(new DateTimeZone('UTC')), 'In'), 'Go');
        self::assertSame([true, false, 2], [$person->isIn('q'), $person->isThrough('q'), count($person->emails())]);
        self::assertSame([], self::decided($person, 'Go')->effectsOf(StartDeadline::class), 'it runs already');
        self::assertSame([], self::decided($person, 'In')->effectsOf(StartSequence::class), 'they are on their way');

        $out = self::tagged($person, 'Out');
        self::assertSame([false, true, ['cancelled', 'cancelled']], [$out->isIn('q'), $out->isThrough('q'),
            array_map(fn ($e): string => $e->state->value, $out->emails())]);
        self::assertSame(1, $out->enrolments()['q']->run);
        self::assertSame([], self::decided($out, 'Out')->effectsOf(StopSequence::class), 'nobody leaves twice');
    }

    public function test_emails_come_to_their_state_one_by_one(): void
    {
        $at = self::at();
        [$a, $b, $c] = [new PlannedEmail('a', 'q', $at), new PlannedEmail('b', 'q', $at), new PlannedEmail('c', 'other', $at)];
        $person = Known::person(sequences: ['q' => true], through: ['q'])->withEmail($a)->withEmail($b)->withEmail($c);
        $states = fn (PersonState $p): array => array_map(fn (PlannedEmail $e): string => $e->state->value, $p->emails());
        $sent = $person->withEmailIn($a, MessageState::Sent);

        self::assertSame(['sent', 'waiting', 'waiting'], $states($sent));
        self::assertSame(['sent', 'cancelled', 'waiting'], $states($sent->outOfSequence('q')), 'what was sent is sent, and others wait');
        self::assertSame([false, false, true], [$sent->isThrough('q'), $sent->withEmailIn($b, MessageState::Sending)->isThrough('q'),
            $sent->withEmailIn($b, MessageState::Sent)->isThrough('q')]);
        self::assertSame(['2026-12-01', '2026-12-02', '2026-12-01'], array_map(fn (PlannedEmail $e): string => $e->due->format('Y-m-d'),
            $person->withEmailDue($b, $at->modify('+1 day'))->emails()));
        self::assertSame(['sent', 'cancelled', 'cancelled'], $states((new CancelEmails('x'))->appliedTo($sent, $at)));
        self::assertSame([['p', 'r'], ['p', 'r']], [(new GiveProduct('r'))->appliedTo($person->withProduct('p'), $at)->products(),
            $person->withProduct('p')->withProduct('r')->withProduct('p')->products()]);
    }

    public function test_a_deadline_that_begins_anew_brings_its_emails_once_more_and_says_so(): void
    {
        $plan = self::plan();
        $again = $plan->with(array_map(fn ($part) => $part instanceof Deadline ? Deadline::fromShape(Shape::of(['again' => 0]
            + $part->toArray())) : $part, $plan->parts));
        $decide = fn (PersonState $person, string $now) => (new Journey($again))->listen($person->withTags(['Go']), new Event(
            EventType::Tagged, self::at($now), tag: 'Go'));
        $in = self::tagged(PersonState::unknown(new DateTimeZone('UTC')), 'In');
        $first = $decide($in, '2026-12-01 12:00');
        $second = $decide($first->appliedTo($in, self::at()), '2026-12-02 12:00');

        self::assertSame([[false], [true]], array_map(fn ($d): array => array_map(fn (StartDeadline $s): bool => $s->anew,
            $d->effectsOf(StartDeadline::class)), [$first, $second]));
        self::assertSame([['start', 'before'], ['start', 'before']], [self::sent($first), self::sent($second)]);
        // Somebody in the sequence who had them before by hand gets none twice.
        $had = Known::person(emails: ['start'], sequences: ['q' => true]);
        self::assertSame(['before'], self::sent($decide($had, '2026-12-01 12:00')));
    }

    public function test_two_spellings_of_one_tag_are_given_once(): void
    {
        $person = PersonState::unknown(new DateTimeZone('UTC'))->withTags(['Cellist']);

        self::assertSame(['Cellist'], (new AddTag('CELLIST'))->appliedTo($person, self::at())->tags());
    }

    public function test_a_piece_that_was_not_loaded_is_never_an_empty_answer(): void
    {
        $person = new PersonState(new DateTimeZone('UTC'), new DateTimeZone('UTC'), tags: []);
        self::assertSame([], $person->tags());
        foreach (['deadlines', 'registrations', 'enrolments', 'emails', 'deeds', 'products'] as $piece) {
            try {
                $person->{$piece}();
                self::fail($piece);
            } catch (\LogicException $e) {
                self::assertSame("The {$piece} of this person were not loaded.", $e->getMessage());
            }
        }
    }

    /** @return iterable<string, array{string, string}> when it goes; when it ends */
    public static function nights(): iterable
    {
        yield 'in its hours' => ['2026-12-01 15:00', '2026-12-01 16:00'];
        yield 'before they open, and there is time' => ['2026-12-01 09:00', '2026-12-01 09:30'];
        yield 'what ends as they open is told in the night' => ['2026-12-01 08:00', '2026-12-01 09:00'];
        yield 'what ends a moment later waits for them' => ['2026-12-01 09:00', '2026-12-01 09:00:01'];
        yield 'what ends in the night' => ['2026-12-01 03:00', '2026-12-01 04:00'];
    }

    #[DataProvider('nights')]
    public function test_a_warning_waits_for_its_hours_unless_it_would_come_too_late(string $goes, string $ends): void
    {
        $sequence = new SequencePlan('q', 'Q', window: SendWindow::of([1, 2, 3, 4, 5, 6, 7], 9, 17));
        $email = new EmailPlan('e', 'e', 'e', '<p>x</p>', DeadlineMoment::of('d', Edge::End, -60), 'q');
        $utc = new DateTimeZone('UTC');

        self::assertSame($goes, (new Timing($sequence, $utc, $utc))->moment($email, self::at('2026-11-01'), 0,
            ['d' => new Run(self::at('2026-11-01'), self::at($ends))])?->format('Y-m-d H:i'));
    }

    public function test_what_tells_of_an_end_waits_for_the_hours_however_late_they_are(): void
    {
        $sequence = new SequencePlan('q', 'Q', window: SendWindow::of([1, 2, 3, 4, 5, 6, 7], 9, 17));
        $email = new EmailPlan('e', 'e', 'e', '<p>x</p>', DeadlineMoment::of('d', Edge::End), 'q');
        $utc = new DateTimeZone('UTC');

        self::assertSame('2026-12-02 09:00', (new Timing($sequence, $utc, $utc))->moment($email, self::at('2026-11-01'), 0,
            ['d' => new Run(self::at('2026-11-01'), self::at('2026-12-01 22:00'))])?->format('Y-m-d H:i'));
    }
}
