<?php

declare(strict_types=1);

namespace Tests\Core\Sequences;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\Replan;
use Lantern\Core\Sequences\SendWindow;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** When emails go out: windows, zones, changes of the clocks, pauses, late workers, and sequences that change while people are in them. */
final class TimingTest extends TestCase
{
    private const WORKDAYS = [1, 2, 3, 4, 5];

    private static function utc(string $at): DateTimeImmutable
    {
        return new DateTimeImmutable($at, new DateTimeZone('UTC'));
    }

    private static function text(DateTimeImmutable $at): string
    {
        return $at->format('D Y-m-d H:i:s e');
    }

    /** @return iterable<string, array{list<int>, int, int, string, string, string}> days, from, to, zone, asked, expected */
    public static function openings(): iterable
    {
        yield 'inside stays' => [self::WORKDAYS, 9, 18, 'Europe/Berlin', '2026-06-03 10:15:30', 'Wed 2026-06-03 10:15:30 UTC'];
        yield 'the first second is inside' => [self::WORKDAYS, 9, 18, 'UTC', '2026-06-03 09:00:00', 'Wed 2026-06-03 09:00:00 UTC'];
        yield 'the closing hour is outside' => [self::WORKDAYS, 9, 18, 'UTC', '2026-06-03 18:00:00', 'Thu 2026-06-04 09:00:00 UTC'];
        yield 'early waits for the opening' => [self::WORKDAYS, 9, 18, 'UTC', '2026-06-03 03:00:00', 'Wed 2026-06-03 09:00:00 UTC'];
        yield 'late on Friday waits for Monday' => [self::WORKDAYS, 9, 18, 'UTC', '2026-06-05 18:30:00', 'Mon 2026-06-08 09:00:00 UTC'];
        yield 'Saturday waits for Monday' => [self::WORKDAYS, 9, 18, 'UTC', '2026-06-06 12:00:00', 'Mon 2026-06-08 09:00:00 UTC'];
        yield 'one day a week, just missed' => [[3], 9, 10, 'UTC', '2026-06-03 10:00:00', 'Wed 2026-06-10 09:00:00 UTC'];
        yield 'the day is the reader’s' => [self::WORKDAYS, 9, 18, 'Pacific/Auckland', '2026-06-05 20:00:00',
            'Sun 2026-06-07 21:00:00 UTC'];
        yield 'west of the line it is still Friday' => [self::WORKDAYS, 9, 18, 'America/New_York', '2026-06-05 20:00:00',
            'Fri 2026-06-05 20:00:00 UTC'];
        yield 'over a month without a 31st' => [[2], 8, 12, 'UTC', '2026-06-30 13:00:00', 'Tue 2026-07-07 08:00:00 UTC'];
        yield 'over the end of a leap February' => [[2], 8, 12, 'UTC', '2028-02-29 13:00:00', 'Tue 2028-03-07 08:00:00 UTC'];
        yield 'over the end of a year' => [[5], 8, 12, 'UTC', '2026-12-31 13:00:00', 'Fri 2027-01-01 08:00:00 UTC'];
        yield 'the night the clocks go forward' => [[7], 2, 4, 'Europe/Berlin', '2026-03-29 00:30:00', 'Sun 2026-03-29 01:00:00 UTC'];
        yield 'an opening of one hour that is skipped waits a week' => [[7], 2, 3, 'Europe/Berlin', '2026-03-28 12:00:00',
            'Sun 2026-04-05 00:00:00 UTC'];
        yield 'the night the clocks go back: the first of two' => [[7], 2, 3, 'Europe/Berlin', '2026-10-24 12:00:00',
            'Sun 2026-10-25 00:00:00 UTC'];
        yield 'inside the second of two hours' => [[7], 2, 3, 'Europe/Berlin', '2026-10-25 01:30:00', 'Sun 2026-10-25 01:30:00 UTC'];
        yield 'summer opens an hour earlier by the sun' => [self::WORKDAYS, 9, 18, 'Europe/Berlin', '2026-03-27 20:00:00',
            'Mon 2026-03-30 07:00:00 UTC'];
        yield 'a zone with half an hour' => [[1, 2, 3, 4, 5, 6, 7], 9, 18, 'Asia/Kolkata', '2026-06-03 13:00:00',
            'Thu 2026-06-04 03:30:00 UTC'];
        yield 'a day that a zone leaves out' => [[5], 9, 18, 'Pacific/Apia', '2011-12-30 09:00:00', 'Thu 2012-01-05 19:00:00 UTC'];
        yield 'until midnight' => [self::WORKDAYS, 20, 24, 'UTC', '2026-06-03 23:59:59', 'Wed 2026-06-03 23:59:59 UTC'];
    }

    /** @param  list<int>  $days */
    #[DataProvider('openings')]
    public function test_the_next_moment_in_a_window(array $days, int $from, int $to, string $zone, string $asked, string $expected): void
    {
        $window = SendWindow::of($days, $from, $to);
        $next = $window->next(self::utc($asked), new DateTimeZone($zone));

        self::assertSame($expected, self::text($next));
        self::assertTrue($window->holds($next, new DateTimeZone($zone)));
        self::assertEquals($next, $window->next($next, new DateTimeZone($zone)), 'asking again changes nothing');
    }

    public function test_every_quarter_hour_of_a_year_finds_the_earliest_moment_in_the_window(): void
    {
        $window = SendWindow::of([1, 3, 6], 7, 9);
        foreach (['Europe/London', 'America/Santiago', 'Australia/Lord_Howe'] as $name) {
            $zone = new DateTimeZone($name);
            $open = null;
            // From the end backwards, the last open quarter seen is the next one there is.
            for ($at = self::utc('2027-01-10 00:00'); $at >= self::utc('2026-01-01 00:00'); $at = $at->modify('-15 minutes')) {
                $open = $window->holds($at, $zone) ? $at : $open;
                if ($open !== null) {
                    self::assertSame(self::text($open), self::text($window->next($at, $zone)), "{$name} ".self::text($at));
                }
            }
        }
    }

    /** @return iterable<string, list<string>> a zone, and days on which its clocks change */
    public static function oddChanges(): iterable
    {
        yield 'Berlin, an hour' => ['Europe/Berlin', '2026-03-29', '2026-10-25'];
        yield 'Chatham, in the middle of an hour' => ['Pacific/Chatham', '2026-09-27', '2026-04-05'];
        yield 'Troll, two hours' => ['Antarctica/Troll', '2026-03-29', '2026-10-25'];
        yield 'Lord Howe, half an hour' => ['Australia/Lord_Howe', '2026-10-04', '2026-04-05'];
        yield 'Havana, at midnight' => ['America/Havana', '2026-03-08', '2026-11-01'];
        yield 'Apia, a day' => ['Pacific/Apia', '2011-12-30', '2012-04-01'];
        yield 'Kathmandu, none' => ['Asia/Kathmandu', '2026-03-29', '2026-10-25'];
        yield 'far from now' => ['America/New_York', '2045-03-12', '2045-11-05'];
    }

    /** Every half hour of four days around a change is asked, and every minute after it looked at. */
    #[DataProvider('oddChanges')]
    public function test_around_odd_changes_of_the_clocks_the_earliest_moment_is_found(string $name, string ...$days): void
    {
        $zone = new DateTimeZone($name);
        foreach ($days as $day) {
            $begin = (new DateTimeImmutable($day, $zone))->modify('-36 hours')->getTimestamp();
            $local = [];
            for ($minute = 0; $minute < 4 * 1440; $minute++) {
                $at = new DateTimeImmutable('@'.($begin + $minute * 60));
                $local[$minute] = explode(' ', $at->setTimezone($zone)->format('N G'));
            }
            foreach ([[2, 3], [3, 4], [1, 2], [0, 1], [0, 24]] as [$from, $to]) {
                foreach ([[1, 2, 3, 4, 5, 6, 7], [7]] as $weekdays) {
                    $window = SendWindow::of($weekdays, $from, $to);
                    $open = null;
                    for ($minute = 4 * 1440 - 1; $minute >= 0; $minute--) {
                        [$weekday, $hour] = array_map(intval(...), $local[$minute]);
                        $open = in_array($weekday, $weekdays, true) && $hour >= $from && $hour < $to ? $minute : $open;
                        if ($open !== null && $minute % 30 === 15) {
                            self::assertSame($begin + $open * 60,
                                $window->next(new DateTimeImmutable('@'.($begin + $minute * 60)), $zone)->getTimestamp(),
                                "{$name} {$minute} {$from}–{$to}");
                        }
                    }
                }
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongWindows(): iterable
    {
        yield 'no day' => [['days' => [], 'from' => 9, 'to' => 18], 'at least one day'];
        yield 'an eighth day' => [['days' => [8], 'from' => 9, 'to' => 18], 'from 1 to 7'];
        yield 'closes before it opens' => [['days' => [1], 'from' => 18, 'to' => 9], 'begin before they end'];
        yield 'never open' => [['days' => [1], 'from' => 9, 'to' => 9], 'begin before they end'];
        yield 'words for an hour' => [['days' => [1], 'from' => 'nine', 'to' => 18], 'whole number'];
    }

    /** @param  array<string, mixed>  $window */
    #[DataProvider('wrongWindows')]
    public function test_a_window_that_cannot_be(array $window, string $sentence): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessage($sentence);
        SendWindow::fromShape(Shape::of($window));
    }

    /** @return iterable<string, array{list<int>, int, int, string}> */
    public static function labels(): iterable
    {
        yield 'always' => [[1, 2, 3, 4, 5, 6, 7], 0, 24, ''];
        yield 'workdays' => [[1, 2, 3, 4, 5], 9, 18, 'Monday to Friday, 09:00 to 18:00'];
        yield 'every day' => [[7, 6, 5, 4, 3, 2, 1], 8, 20, 'every day, 08:00 to 20:00'];
        yield 'single days' => [[2, 4], 0, 24, 'Tuesday, Thursday'];
        yield 'with a gap' => [[1, 2, 4], 9, 12, 'Monday, Tuesday, Thursday, 09:00 to 12:00'];
    }

    /** @param  list<int>  $days */
    #[DataProvider('labels')]
    public function test_a_window_in_words(array $days, int $from, int $to, string $words): void
    {
        self::assertSame($words, SendWindow::of($days, $from, $to)->label());
    }

    private static function email(string $id, Delay $delay): EmailPlan
    {
        return new EmailPlan($id, $id, 'x', 'x', $delay, 'q');
    }

    private static function timing(?SendWindow $window = null, string $reader = 'Europe/Berlin', bool $byReader = true): Timing
    {
        return new Timing(new SequencePlan('q', 'Follow-up', window: $window ?? SendWindow::always(), byReader: $byReader),
            new DateTimeZone($reader), new DateTimeZone('Europe/London'));
    }

    /** @return iterable<string, array{Delay, string, string, string, bool, int}> delay, started, expected, reader, by reader, paused */
    public static function dues(): iterable
    {
        yield 'at once does not wait for the window' => [Delay::atOnce(), '2026-06-06 02:00', 'Sat 2026-06-06 02:00:00 UTC',
            'Europe/Berlin', true, 0];
        yield 'minutes wait for it' => [Delay::minutes(30), '2026-06-06 02:00', 'Mon 2026-06-08 07:00:00 UTC', 'Europe/Berlin', true, 0];
        yield 'a day at an hour, in the reader’s zone' => [Delay::days(1, 9), '2026-06-03 12:00', 'Thu 2026-06-04 13:00:00 UTC',
            'America/New_York', true, 0];
        yield 'the same in the owner’s' => [Delay::days(1, 9), '2026-06-03 12:00', 'Thu 2026-06-04 08:00:00 UTC', 'America/New_York',
            false,
            0];
        yield 'an hour before the window opens' => [Delay::days(1, 6), '2026-06-03 12:00', 'Thu 2026-06-04 07:00:00 UTC', 'Europe/Berlin',
            true, 0];
        yield 'a day that falls on Saturday' => [Delay::days(2, 9), '2026-06-04 12:00', 'Mon 2026-06-08 07:00:00 UTC', 'Europe/Berlin',
            true, 0];
        yield 'keeps its hour on the Monday after' => [Delay::days(2, 14), '2026-06-04 12:00', 'Mon 2026-06-08 12:00:00 UTC',
            'Europe/Berlin', true, 0];
        yield 'and the hour of joining where it has none of its own' => [Delay::days(2), '2026-06-04 12:34', 'Mon 2026-06-08 12:34:00 UTC',
            'Europe/Berlin', true, 0];
        yield 'an hour at which nothing ever goes out' => [Delay::days(1, 20), '2026-06-04 12:00', 'Mon 2026-06-08 07:00:00 UTC',
            'Europe/Berlin', true, 0];
        yield 'from Saturday to Monday while the clocks change' => [Delay::days(1, 15), '2026-03-27 12:00', 'Mon 2026-03-30 13:00:00 UTC',
            'Europe/Berlin', true, 0];
        yield 'across the change of the clocks' => [Delay::days(3, 10), '2026-03-27 12:00', 'Mon 2026-03-30 08:00:00 UTC', 'Europe/Berlin',
            true, 0];
        yield 'from the 31st of January, a month of thirty days on' => [Delay::days(30, 10), '2026-01-31 12:00',
            'Mon 2026-03-02 09:00:00 UTC', 'Europe/Berlin', true, 0];
        yield 'over the leap day' => [Delay::days(1, 10), '2028-02-28 12:00', 'Tue 2028-02-29 09:00:00 UTC', 'Europe/Berlin', true, 0];
        yield 'a pause of two days moves it by two days' => [Delay::days(1, 9), '2026-06-01 12:00', 'Thu 2026-06-04 07:00:00 UTC',
            'Europe/Berlin', true, 172_800];
    }

    /** @return iterable<string, array{int, int, Delay, string, string}> the window's hours, delay, started, expected */
    public static function hoursThatClocksMove(): iterable
    {
        // On Sunday 29 March the clocks go from two to three.
        yield 'an hour outside the window that they move into it' => [3, 5, Delay::days(1, 2), '2026-03-25 12:00',
            'Thu 2026-03-26 02:00:00 UTC'];
        yield 'an hour inside that they move out of it goes the day after' => [2, 3, Delay::days(1, 2), '2026-03-28 12:00',
            'Mon 2026-03-30 00:00:00 UTC'];
        yield 'the hour of joining, outside' => [3, 5, Delay::days(1), '2026-03-25 01:30', 'Thu 2026-03-26 02:00:00 UTC'];
        yield 'on the day itself it opens with the hours there are' => [3, 5, Delay::days(1, 2), '2026-03-28 12:00',
            'Sun 2026-03-29 01:00:00 UTC'];
        yield 'of an hour that there is twice the first' => [2, 3, Delay::days(1, 2), '2026-10-24 12:00', 'Sun 2026-10-25 00:00:00 UTC'];
    }

    #[DataProvider('hoursThatClocksMove')]
    public function test_an_hour_belongs_to_the_window_as_it_is_told(int $from, int $to, Delay $delay, string $started, string $due): void
    {
        self::assertSame($due, self::text(self::timing(SendWindow::of([1, 2, 3, 4, 5, 6, 7], $from, $to))->due($delay,
            self::utc($started))));
    }

    #[DataProvider('dues')]
    public function test_when_an_email_is_due(
        Delay $delay,
        string $started,
        string $expected,
        string $reader,
        bool $byReader,
        int $paused,
    ): void {
        $due = self::timing(SendWindow::of(self::WORKDAYS, 9, 18), $reader, $byReader)->due($delay, self::utc($started), $paused);

        self::assertSame($expected, self::text($due));
    }

    public function test_a_late_worker_writes_at_the_next_opening(): void
    {
        $timing = self::timing(SendWindow::of(self::WORKDAYS, 9, 18));

        self::assertSame('Thu 2026-06-04 07:00:00 UTC',
            self::text($timing->notBefore(self::email('e', Delay::days(1)), self::utc('2026-06-03 21:00'))));
        self::assertSame('Wed 2026-06-03 12:00:00 UTC',
            self::text($timing->notBefore(self::email('e', Delay::days(1)), self::utc('2026-06-03 12:00'))));
        self::assertSame('Wed 2026-06-03 21:00:00 UTC',
            self::text($timing->notBefore(self::email('e', Delay::atOnce()), self::utc('2026-06-03 21:00'))),
            'an answer goes out late rather than later still');
    }

    /** @return iterable<string, array{string, string, string, int}> */
    public static function pauses(): iterable
    {
        yield 'in it all along' => ['2026-06-01', '2026-06-03', '2026-06-05', 172_800];
        yield 'entered in the middle' => ['2026-06-04', '2026-06-03', '2026-06-05', 86_400];
        yield 'entered afterwards' => ['2026-06-06', '2026-06-03', '2026-06-05', 0];
        yield 'clocks that run backwards' => ['2026-06-01', '2026-06-05', '2026-06-03', 0];
    }

    #[DataProvider('pauses')]
    public function test_what_of_a_pause_counts_for_somebody(string $started, string $from, string $to, int $seconds): void
    {
        self::assertSame($seconds, Timing::pausedFor(self::utc($started), self::utc($from), self::utc($to)));
    }

    public function test_a_sequence_that_changes_while_people_are_in_it(): void
    {
        $emails = [self::email('sent', Delay::days(1, 9)), self::email('same', Delay::days(4, 9)), self::email('moved', Delay::days(6, 9)),
            self::email('moved-back', Delay::days(2, 9)),
            self::email('new', Delay::days(5, 9)), self::email('new-passed', Delay::days(1, 10)), self::email('due', Delay::days(3, 12))];
        $at = fn (string $state, string $due): array => ['state' => MessageState::from($state), 'due' => self::utc($due)];
        $replan = Replan::of(self::timing(SendWindow::of([1, 2, 3, 4, 5, 6, 7], 8, 20)), $emails, [
            'sent' => $at('sent', '2026-06-02 07:00'), 'same' => $at('waiting', '2026-06-05 07:00'),
            'moved' => $at('waiting', '2026-06-08 07:00'),
            'moved-back' => $at('waiting', '2026-06-09 07:00'), 'gone' => $at('waiting', '2026-06-10 07:00'),
            'gone-sent' => $at('sent', '2026-06-02 08:00'), 'due' => $at('waiting', '2026-06-04 10:00'),
        ], self::utc('2026-06-01 12:00'), self::utc('2026-06-04 21:00'));

        self::assertSame(['new'], array_keys($replan->plan));
        self::assertSame('Sat 2026-06-06 07:00:00 UTC', self::text($replan->plan['new']));
        self::assertSame(['moved' => 'Sun 2026-06-07 07:00:00 UTC', 'moved-back' => 'Fri 2026-06-05 06:00:00 UTC'],
            array_map(self::text(...), $replan->move), 'its day is past, so it goes out as soon as the window opens');
        self::assertSame(['gone'], $replan->cancel);
        self::assertSame(['new-passed'], $replan->missed);
        self::assertFalse($replan->isNothing());
    }

    public function test_a_sequence_that_stays_as_it_is_changes_nothing_for_anybody(): void
    {
        $email = self::email('e', Delay::days(4, 9));
        $replan = Replan::of(self::timing(), [$email], ['e' => ['state' => MessageState::Waiting, 'due' => self::utc('2026-06-05 07:00')]],
            self::utc('2026-06-01 12:00'), self::utc('2026-06-02 12:00'));

        self::assertTrue($replan->isNothing());
    }

    public function test_a_wall_clock_knows_no_gap_and_no_doubt(): void
    {
        $berlin = new DateTimeZone('Europe/Berlin');
        self::assertSame('Sun 2026-03-29 01:30:00 UTC', self::text(WallClock::at('2026-03-29', '02:30', $berlin)));
        self::assertSame('Sun 2026-10-25 00:30:00 UTC', self::text(WallClock::at('2026-10-25', '02:30', $berlin)));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongSequences(): iterable
    {
        yield 'no name' => [['id' => 'q', 'name' => ' '], 'give the sequence a name'];
        yield 'one tag for both' => [['id' => 'q', 'name' => 'x', 'starts' => [['kind' => 'tag', 'tag' => 'Cello']],
            'ends' => [['kind' => 'tag', 'tag' => 'cello ']]], 'cannot both start'];
    }

    /** @param  array<string, mixed>  $sequence */
    #[DataProvider('wrongSequences')]
    public function test_a_sequence_that_cannot_be(array $sequence, string $sentence): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessage($sentence);
        SequencePlan::fromShape(Shape::of($sequence));
    }

    public function test_a_sequence_is_written_as_it_is_read(): void
    {
        $tag = fn (string $tag): array => ['kind' => 'tag', 'tag' => $tag];
        $written = ['id' => 'q', 'name' => 'Follow-up', 'starts' => [$tag('Cello'), ['kind' => 'form', 'form' => 'f']],
            'ends' => [$tag('Student')], 'again' => true,
            'window' => ['days' => [1, 2], 'from' => 9, 'to' => 18], 'byReader' => false];
        $read = SequencePlan::fromShape(Shape::of(['starts' => [$tag('Cello'), $tag(" cello\n"), ['kind' => 'form', 'form' => 'f']],
            'window' => ['days' => [2, 1, 1], 'from' => 9, 'to' => 18]] + $written));

        self::assertEquals($written, $read->toArray());
        self::assertSame(['id' => 'q', 'name' => 'Follow-up', 'ends' => [['kind' => 'bought']]],
            (new SequencePlan('q', 'Follow-up'))->toArray(), 'a new one ends with buying');
        self::assertEquals(new SequencePlan('q', 'Follow-up', ends: new Triggers),
            SequencePlan::fromShape(Shape::of(['id' => 'q', 'name' => 'Follow-up'])), 'what is not said is not so');
    }
}
