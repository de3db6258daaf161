<?php

declare(strict_types=1);

namespace Tests\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DeadlineTest extends TestCase
{
    private static function utc(string $at): DateTimeImmutable
    {
        return new DateTimeImmutable($at, new DateTimeZone('UTC'));
    }

    /** @param  array<string, mixed>  $more */
    private static function deadline(array $more = []): Deadline
    {
        return Deadline::fromShape(Shape::of($more + ['id' => 'd', 'name' => 'Introductory', 'duration' => ['days' => 3,
            'time' => '20:00']]));
    }

    /** @return iterable<string, array{array<string, int|string>, string, string, string}> lasting, start in UTC, zone, end in UTC */
    public static function ends(): iterable
    {
        yield 'fifteen minutes' => [['minutes' => 15], '2026-12-01 09:00:00', 'Europe/Oslo', '2026-12-01 09:15:00'];
        yield 'hours are elapsed time, over a night that is an hour shorter' => [['minutes' => 1440], '2026-03-28 12:00', 'Europe/London',
            '2026-03-29 12:00:00'];
        yield 'hours are elapsed time, over a night that is an hour longer' => [['minutes' => 1440], '2026-10-24 12:00', 'Europe/London',
            '2026-10-25 12:00:00'];
        yield 'a day keeps the hour on the wall, in spring' => [['days' => 1], '2026-03-28 12:00', 'Europe/London', '2026-03-29 11:00:00'];
        yield 'a day keeps the hour on the wall, in autumn' => [['days' => 1], '2026-10-24 11:00', 'Europe/London', '2026-10-25 12:00:00'];
        yield 'three days until eight in the evening, theirs' => [['days' => 3, 'time' => '20:00'], '2026-11-27 22:30', 'Europe/Oslo',
            '2026-11-30 19:00:00'];
        yield 'it is tomorrow there already' => [['days' => 1, 'time' => '20:00'], '2026-11-27 22:30', 'Pacific/Auckland',
            '2026-11-29 07:00:00'];
        yield 'the same in a zone that is behind' => [['days' => 1, 'time' => '20:00'], '2026-11-28 04:00', 'America/Los_Angeles',
            '2026-11-29 04:00:00'];
        yield 'a time that is skipped: an hour further' => [['days' => 1, 'time' => '02:30'], '2026-03-28 12:00', 'Europe/Berlin',
            '2026-03-29 01:30:00'];
        yield 'a time that comes twice: the first' => [['days' => 1, 'time' => '02:30'], '2026-10-24 12:00', 'Europe/Berlin',
            '2026-10-25 00:30:00'];
        yield 'begun in an hour that comes twice, its second time' => [['days' => 1], '2026-10-25 01:30', 'Europe/Berlin',
            '2026-10-26 01:30:00'];
        yield 'a day that does not exist at all' => [['days' => 1, 'time' => '12:00'], '2011-12-29 20:00', 'Pacific/Apia',
            '2011-12-30 22:00:00'];
        yield 'half an hour of summer' => [['days' => 1, 'time' => '02:15'], '2026-10-03 03:00', 'Australia/Lord_Howe',
            '2026-10-03 15:45:00'];
        yield 'a leap day' => [['days' => 1], '2028-02-28 10:00:00.250', 'UTC', '2028-02-29 10:00:00'];
        yield 'a year' => [['days' => 365], '2026-06-01 10:00', 'Europe/London', '2027-06-01 10:00:00'];
        yield 'just before midnight' => [['days' => 1, 'time' => '00:00'], '2026-12-01 23:59:59', 'UTC', '2026-12-02 00:00:00'];
    }

    /** @param  array<string, int|string>  $duration */
    #[DataProvider('ends')]
    public function test_it_ends_when_it_says(array $duration, string $start, string $zone, string $end): void
    {
        $ends = Duration::fromShape(Shape::of($duration))->from(self::utc($start), new DateTimeZone($zone));

        self::assertSame($end, $ends->format('Y-m-d H:i:s'));
        self::assertSame('UTC', $ends->getTimezone()->getName());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function impossible(): iterable
    {
        yield 'nothing' => [['duration' => ['minutes' => 0]], 'one minute to 365 days'];
        yield 'less than nothing' => [['duration' => ['minutes' => -5]], 'one minute to 365 days'];
        yield '400 days' => [['duration' => ['days' => 400]], 'one minute to 365 days'];
        yield '400 days in minutes' => [['duration' => ['minutes' => 400 * 1440]], 'one minute to 365 days'];
        yield 'no days' => [['duration' => ['days' => 0]], 'one minute to 365 days'];
        yield 'half a day' => [['duration' => ['days' => 0.5]], 'whole number'];
        yield 'a time that is none' => [['duration' => ['days' => 1, 'time' => '24:00']], 'written like 20:00'];
        yield 'neither' => [['duration' => null], 'choose the moment'];
        yield 'a moment that is none' => [['latest' => ['moment' => '2027-02-30T10:00', 'zone' => 'UTC']], 'written like'];
        yield 'a zone that is none' => [['latest' => ['moment' => '2027-02-03T10:00', 'zone' => 'Middle/Earth']], 'time zone'];
        yield 'a grace of a day' => [['grace' => 1440], 'whole number from 0 to 120'];
        yield 'no name' => [['name' => ' '], 'give the deadline a name'];
        yield 'a page before itself' => [['pages' => [['page' => 'p', 'before' => 'p']]], 'in place of itself'];
        yield 'words for a page' => [['pages' => ['p']], 'A group of values'];
    }

    /** @param  array<string, mixed>  $wrong */
    #[DataProvider('impossible')]
    public function test_what_cannot_be_is_refused_in_one_sentence(array $wrong, string $sentence): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessage($sentence);
        self::deadline($wrong);
    }

    public function test_it_never_ends_later_than_its_moment_for_everyone(): void
    {
        $deadline = self::deadline(['latest' => ['moment' => '2026-12-20T18:00', 'zone' => 'Europe/Oslo']]);
        $zone = new DateTimeZone('Europe/Oslo');
        $end = fn (string $start): ?string => $deadline->begin(self::utc($start), $zone)?->endsAt->format('Y-m-d H:i');

        self::assertSame('2026-12-04 19:00', $end('2026-12-01 10:00'));
        self::assertSame('2026-12-20 17:00', $end('2026-12-19 10:00'));
        self::assertSame('2026-12-20 17:00', $end('2026-12-20 16:59:59'));
        self::assertNull($end('2026-12-20 17:00'), 'what would end as it begins does not begin');
        self::assertSame(DeadlineState::NotStarted, $deadline->state(null, self::utc('2026-12-20 16:59:59')));
        self::assertSame(DeadlineState::Over, $deadline->state(null, self::utc('2026-12-20 17:00')));
        self::assertFalse($deadline->mayBegin(null, self::utc('2026-12-20 17:00')));
    }

    public function test_one_for_everyone_runs_for_everybody_until_its_moment(): void
    {
        $deadline = self::deadline(['duration' => null, 'latest' => ['moment' => '2026-10-25T01:30', 'zone' => 'Europe/London']]);
        $run = $deadline->forEveryone(self::utc('2026-10-01 10:00'));

        self::assertSame('2026-10-25 00:30:00', $run?->endsAt->format('Y-m-d H:i:s'), 'of two half past ones the first');
        self::assertSame(DeadlineState::Running, $deadline->state($run, self::utc('2026-10-25 00:29:59')));
        self::assertSame(DeadlineState::Grace, $deadline->state($run, self::utc('2026-10-25 00:30')));
        self::assertSame(DeadlineState::Over, $deadline->state($run, self::utc('2026-10-25 00:40')));
        self::assertFalse($deadline->mayBegin(null, self::utc('2026-10-01')));
        self::assertNull(self::deadline()->forEveryone(self::utc('2026-10-01')));
    }

    /** @return iterable<string, array{string, DeadlineState}> */
    public static function moments(): iterable
    {
        yield 'at its start' => ['2026-12-01 10:00:00', DeadlineState::Running];
        yield 'before the last stretch' => ['2026-12-01 10:29:59.999', DeadlineState::Running];
        yield 'in the last stretch' => ['2026-12-01 10:30:00', DeadlineState::LastStretch];
        yield 'a thousandth before' => ['2026-12-01 10:59:59.999', DeadlineState::LastStretch];
        yield 'at its end' => ['2026-12-01 11:00:00', DeadlineState::Grace];
        yield 'within grace' => ['2026-12-01 11:04:59.999', DeadlineState::Grace];
        yield 'after grace' => ['2026-12-01 11:05:00', DeadlineState::Over];
    }

    #[DataProvider('moments')]
    public function test_the_state_at_a_moment(string $now, DeadlineState $state): void
    {
        $deadline = self::deadline(['grace' => 5, 'warning' => ['minutes' => 30, 'text' => 'x']]);
        $run = new Run(self::utc('2026-12-01 10:00'), self::utc('2026-12-01 11:00'));

        self::assertSame($state, $deadline->state($run, self::utc($now)));
        self::assertSame(DeadlineState::Over, $deadline->state(new Run($run->startedAt, $run->endsAt, closed: true), self::utc($now)),
            'an end that was noticed stays, whatever the clock says');
    }

    public function test_what_is_left_counts_a_second_that_has_begun(): void
    {
        $run = new Run(self::utc('2026-12-01 10:00'), self::utc('2026-12-01 11:00'));

        self::assertSame([3600, 3600, 3599, 1, 0, 0], array_map(fn (string $at): int => $run->left(self::utc("2026-12-01 {$at}")),
            ['10:00', '10:00:00.999', '10:00:01', '10:59:59.001', '11:00', '12:00']));
        self::assertSame(0, (new Run($run->startedAt, $run->endsAt, closed: true))->left(self::utc('2026-12-01 10:30')));
    }

    public function test_it_begins_again_only_if_the_owner_says_so_and_after_how_long(): void
    {
        $run = new Run(self::utc('2026-12-01 10:00'), self::utc('2026-12-04 10:00'));
        $may = fn (array $more, string $at): bool => self::deadline($more)->mayBegin($run, self::utc($at));

        self::assertFalse($may([], '2027-12-01'));
        self::assertFalse($may(['again' => 0], '2026-12-04 10:09:59'), 'not while somebody may be paying still');
        self::assertTrue($may(['again' => 0], '2026-12-04 10:10'));
        self::assertFalse($may(['again' => 30], '2027-01-03 09:59'));
        self::assertTrue($may(['again' => 30], '2027-01-03 10:00'));
    }

    public function test_it_reads_as_the_rule_does(): void
    {
        $name = fn (string $id): string => ['e' => 'Day 7: the offer', 'o' => 'Regular'][$id] ?? '?';
        $words = fn (array $more): string => self::deadline($more)->words($name);

        self::assertSame('Starts when they click in “Day 7: the offer”, lasts 3 days until 20:00 their time, at the latest on 20 December '
            .'2026 at 18:00, Europe/Oslo time.', $words(['starts' => [['kind' => 'click', 'email' => 'e']],
                'latest' => ['moment' => '2026-12-20T18:00', 'zone' => 'Europe/Oslo']]));
        self::assertSame('Starts when they buy “Regular” or when they get the tag “Keen”, lasts 15 minutes.',
            $words(['starts' => [['kind' => 'bought-offer', 'offer' => 'o'], ['kind' => 'tag', 'tag' => 'Keen']],
                'duration' => ['minutes' => 15]]));
        self::assertSame('Starts when you start it for somebody, lasts 1 hour.', $words(['duration' => ['minutes' => 60]]));
        self::assertSame('Ends for everyone on 20 December 2026 at 18:00, UTC time.', $words(['duration' => null,
            'latest' => ['moment' => '2026-12-20T18:00', 'zone' => 'UTC']]));
    }

    public function test_the_shortest_it_can_last(): void
    {
        $shortest = fn (array $l): int => Duration::fromShape(Shape::of($l))->shortest();

        self::assertSame([15, 4320, 2 * 1440 + 1200, 0], [$shortest(['minutes' => 15]), $shortest(['days' => 3]),
            $shortest(['days' => 3, 'time' => '20:00']), $shortest(['days' => 1, 'time' => '00:00'])]);
    }

    /** Against ICU, which reckons with its own tables of zones: days are added and hours set by its calendar. */
    public function test_thousands_of_ends_are_those_that_another_calendar_reckons(): void
    {
        mt_srand(12);
        foreach (['Europe/London', 'America/New_York', 'Asia/Kathmandu', 'Australia/Adelaide', 'America/Sao_Paulo', 'UTC'] as $name) {
            $zone = new DateTimeZone($name);
            for ($i = 0; $i < 400; $i++) {
                $start = self::utc('@'.mt_rand(1_767_225_600, 1_830_297_600));
                [$days, $hour] = [mt_rand(1, 30), mt_rand(4, 23)];
                $calendar = \IntlCalendar::createInstance($name, 'en_GB');
                $calendar?->setTime($start->getTimestamp() * 1000.0);
                $calendar?->add(\IntlCalendar::FIELD_DAY_OF_MONTH, $days);
                $calendar?->set(\IntlCalendar::FIELD_HOUR_OF_DAY, $hour);
                foreach ([\IntlCalendar::FIELD_MINUTE, \IntlCalendar::FIELD_SECOND, \IntlCalendar::FIELD_MILLISECOND] as $field) {
                    $calendar?->set($field, 0);
                }
                $ends = Duration::days($days, sprintf('%02d:00', $hour))->from($start, $zone);

                self::assertSame((int) (($calendar?->getTime() ?: 0) / 1000), $ends->getTimestamp(),
                    "{$name} {$start->format('c')} {$days} {$hour}");
            }
        }
    }
}
