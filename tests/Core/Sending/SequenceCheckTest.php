<?php

declare(strict_types=1);

namespace Tests\Core\Sending;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Deadlines\Edge;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\LateSession;
use Lantern\Core\Offers\Product;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Rules\Group;
use Lantern\Core\Sending\SequenceCheck;
use Lantern\Core\Sending\SequenceFacts;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SendWindow;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\Replay;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionAnchor;
use Lantern\Core\Webinars\SessionMoment;
use Lantern\Core\Webinars\Webinar;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Offers\Sale as Offers;
use Tests\Core\Plan\Plans;

/** The last look before an email of a sequence goes out. */
final class SequenceCheckTest extends TestCase
{
    private static function at(string $moment = '2026-12-01 12:00'): DateTimeImmutable
    {
        return new DateTimeImmutable("{$moment} UTC");
    }

    private static function webinar(): Webinar
    {
        return new Webinar('w', 'Webinar', 'First melody', new Schedule(ScheduleKind::Dates, 'UTC'), replay: new Replay(30, 2, '20:00'));
    }

    /** A sequence that sends from nine to five, in the reader's zone, with an email of each sort. */
    private static function plan(): Plan
    {
        $email = fn (string $id, ?DeadlineMoment $by = null, ?SessionMoment $session = null, ?Delay $delay = null,
            ?Group $only = null): EmailPlan => new EmailPlan($id, $id, $id, '<p>x</p>', $by ?? $session ?? $delay ?? Delay::atOnce(), 'q',
                $only ?? Group::everybody());
        $session = fn (SessionAnchor $anchor, int $minutes = 0): SessionMoment => SessionMoment::of($anchor, $minutes, webinar: 'w');
        $missed = Group::fromArray(['all' => true, 'rules' => [['kind' => 'webinar',
            'webinar' => 'w', 'state' => 'missed', 'not' => false]]]);
        $plan = Plans::of(Goal::GiveAway);

        return $plan->with([...$plan->parts, self::webinar(), new Product('p', 'First Season'), Offers::offer(19_000, ['product' => 'p'],
            'intro'),
            Deadline::fromShape(Shape::of(['id' => 'd', 'name' => 'Price', 'duration' => ['days' => 3], 'offers' => ['intro']])),
            Deadline::fromShape(Shape::of(['id' => 'free', 'name' => 'Nothing sold', 'duration' => ['days' => 3]])),
            new SequencePlan('q', 'Q', window: SendWindow::of([1, 2, 3, 4, 5, 6, 7], 9, 17)),
            $email('once'), $email('day-2', delay: Delay::days(2, 10)),
            $email('cellists', delay: Delay::days(2, 10), only: Group::fromArray(['all' => true, 'rules' => [['kind' => 'tag',
                'tag' => 'Cellist']]])),
            $email('a-day-left', DeadlineMoment::of('d', Edge::End, days: -1)), $email('over', DeadlineMoment::of('d', Edge::End)),
            $email('free-over', DeadlineMoment::of('free', Edge::End)),
            $email('an-hour-to-go', session: $session(SessionAnchor::BeforeStart, 60)),
            $email('after', session: $session(SessionAnchor::AfterEnd, 0)),
            $email('for-who-missed-it', session: $session(SessionAnchor::AfterEnd, 0), only: $missed),
            $email('missed-some', only: $missed)]);
    }

    /** @param  array<string, mixed>  $known */
    private static function person(array $known = [], string $zone = 'UTC'): PersonState
    {
        return new PersonState(new DateTimeZone($zone), new DateTimeZone('UTC'), ...$known + ['tags' => [], 'deadlines' => [],
            'registrations' => [], 'products' => []]);
    }

    private static function session(string $starts, bool $waiting = false): RegisteredSession
    {
        return RegisteredSession::of(self::webinar(), new Session('s1', self::at($starts), self::at($starts)->modify('+1 hour'),
            new DateTimeZone('UTC')), self::at('2026-11-20 10:00'), $waiting);
    }

    /** @return iterable<string, array{string, string, 2?: array<string, mixed>, 3?: array<string, mixed>, 4?: string}> */
    public static function emails(): iterable
    {
        $run = fn (string $end, string $start = '2026-11-28 12:00'): array => ['deadlines' => ['d' => new Run(self::at($start),
            self::at($end)),
            'free' => new Run(self::at($start), self::at($end))]];
        $in = fn (string $starts, bool $waiting = false): array => ['registrations' => ['w' => self::session($starts, $waiting)]];
        yield 'gone from the funnel' => [SequenceCheck::REMOVED, 'no-such-email'];
        yield 'at once goes at once' => ['go', 'once', [], [], '2026-12-01 03:00'];
        yield 'in its hours' => ['go', 'day-2'];
        yield 'a worker that comes late does not write in the night' => ['2026-12-02 09:00', 'day-2', [], [], '2026-12-01 22:00'];
        yield 'the night is the reader’s' => ['2026-12-01 14:00', 'day-2', ['zone' => 'America/New_York'], [], '2026-12-01 12:00'];
        yield 'its sequence stands still' => ['2026-12-01 12:05', 'day-2', [], ['paused' => true]];
        yield 'only for some, and this is one' => ['go', 'cellists', ['tags' => ['CELLIST']]];
        yield 'only for some, and this is none' => [SequenceCheck::LEFT_OUT, 'cellists', ['tags' => ['Piano']]];

        yield 'a day left' => ['go', 'a-day-left', $run('2026-12-02 12:00')];
        yield 'its end has moved away' => ['2026-12-04 12:00', 'a-day-left', $run('2026-12-05 12:00')];
        yield 'by less than a minute' => ['go', 'a-day-left', $run('2026-12-02 12:01')];
        yield 'by a little more' => ['2026-12-01 12:01', 'a-day-left', $run('2026-12-02 12:01:01')];
        yield 'its end has passed' => [SequenceCheck::TOO_LATE, 'a-day-left', $run('2026-12-01 12:00')];
        yield 'it does not run' => ['Its deadline does not run for this person.', 'a-day-left'];
        yield 'what it is about was bought' => ['Has bought what the deadline is about.', 'a-day-left',
            $run('2026-12-02 12:00') + ['products' => ['p']]];
        yield 'another product was bought' => ['go', 'a-day-left', $run('2026-12-02 12:00') + ['products' => ['q']]];
        yield 'a deadline that guards nothing sold' => ['go', 'free-over', $run('2026-12-01 12:00') + ['products' => ['p']]];

        yield 'an hour before a session' => ['go', 'an-hour-to-go', $in('2026-12-01 13:00')];
        yield 'the session has moved away' => ['2026-12-01 16:00', 'an-hour-to-go', $in('2026-12-01 17:00')];
        yield 'it has begun' => [SequenceCheck::TOO_LATE, 'an-hour-to-go', $in('2026-12-01 12:00')];
        yield 'no place in a session' => ['Has no place in a session.', 'an-hour-to-go'];
        yield 'waits for a place' => ['Has no place in a session.', 'an-hour-to-go', $in('2026-12-01 13:00', true)];
        yield 'in another session now' => ['Is in another session now.', 'an-hour-to-go', $in('2026-12-01 13:00'),
            ['sameRegistration' => false]];
        yield 'the session was called off' => ['The session was cancelled.', 'an-hour-to-go', $in('2026-12-01 13:00'),
            ['calledOff' => true]];
        yield 'after it, and nobody knows yet who came' => ['2026-12-01 12:01', 'after', $in('2026-12-01 11:00'), ['settled' => false]];
        yield 'after it, of somebody who has no session' => ['Has no place in a session.', 'after', [], ['settled' => false]];
        yield 'after it, and it is known' => ['go', 'after', $in('2026-12-01 11:00')];
        $was = fn (string ...$states): array => $in('2026-12-01 11:00') + ['webinars' => ['w' => array_values($states)]];
        yield 'missed an earlier session, and came to this one' => [SequenceCheck::LEFT_OUT, 'for-who-missed-it',
            $was('missed', 'attended'), ['became' => ['attended']]];
        yield 'came to an earlier session, and missed this one' => ['go', 'for-who-missed-it', $was('missed', 'attended'),
            ['became' => ['missed']]];
        yield 'told from no session, any of them counts' => ['go', 'missed-some', $was('missed', 'attended')];
        yield 'a reminder waits for no outcome' => ['go', 'an-hour-to-go', $in('2026-12-01 13:00'), ['settled' => false]];
    }

    /**
     * @param  array<string, mixed>  $known
     * @param  array<string, mixed>  $facts
     */
    #[DataProvider('emails')]
    public function test_whether_it_goes(string $expected, string $email, array $known = [], array $facts = [],
        string $now = '2026-12-01 12:00'): void
    {
        $zone = $known['zone'] ?? 'UTC';
        unset($known['zone']);
        $verdict = SequenceCheck::of(self::plan(), $email, new SequenceFacts(self::person($known, $zone), ...$facts), self::at($now));

        self::assertSame($expected, SendCheckTest::words($verdict));
    }

    public function test_a_reminder_lapses_at_its_moment(): void
    {
        $session = self::session('2026-12-01 13:00');
        $lapses = self::plan()->email('an-hour-to-go')?->bySession()?->lapses($session->session) ?? self::at();
        $words = fn (DateTimeImmutable $now): string => SendCheckTest::words(SequenceCheck::of(self::plan(), 'an-hour-to-go',
            new SequenceFacts(self::person(['registrations' => ['w' => $session]])), $now));

        self::assertSame(['go', SequenceCheck::TOO_LATE], [$words($lapses->modify('-1 second')), $words($lapses)]);
    }

    public function test_the_owner_hears_of_a_session_whose_emails_came_too_late_and_of_no_deadline(): void
    {
        $facts = new SequenceFacts(self::person(['registrations' => ['w' => self::session('2026-12-01 12:00')],
            'deadlines' => ['d' => new Run(self::at('2026-11-28 12:00'), self::at())]]));

        self::assertEquals(new LateSession('w', 's1'), SequenceCheck::of(self::plan(), 'an-hour-to-go', $facts, self::at())->tell);
        self::assertNull(SequenceCheck::of(self::plan(), 'a-day-left', $facts, self::at())->tell);
    }
}
