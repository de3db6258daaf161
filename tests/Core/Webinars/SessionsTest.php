<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Recurrence;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionChoice;
use Lantern\Core\Webinars\Sessions;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sabre\VObject\Recur\RRuleIterator;

final class SessionsTest extends TestCase
{
    /** @param  array<string, mixed>  $with */
    private static function sessions(array $with): Sessions
    {
        return new Sessions(Schedule::fromShape(Shape::of($with + ['zone' => 'Europe/Berlin'])));
    }

    private static function utc(string $at): DateTimeImmutable
    {
        return new DateTimeImmutable($at, new DateTimeZone('UTC'));
    }

    /**
     * @param  array<string, mixed>  $with
     * @param  array<string, int>  $taken
     * @return list<string> starts in UTC, with what keeps somebody from registering
     */
    private static function offered(array $with, string $now, string $zone = 'Europe/Berlin', array $taken = []): array
    {
        return array_map(fn (SessionChoice $c): string => $c->session->startsAt->format('Y-m-d H:i').($c->state->value === 'open' ? ''
            : " {$c->state->value}"), self::sessions($with)->offered(self::utc($now), new DateTimeZone($zone), $taken));
    }

    public function test_a_session_told_for_a_day_that_a_zone_left_out_begins_on_the_day_after_it(): void
    {
        // In Samoa 29 December 2011 was followed by the 31st.
        $sessions = self::sessions(['kind' => 'recurring', 'theirs' => true, 'times' => ['18:00'], 'recurrence' => ['every' => 'week',
            'days' => [5], 'from' => '2011-12-01']]);
        $apia = new DateTimeZone('Pacific/Apia');
        foreach (['2011-12-30 10:01', '2011-12-31 03:59'] as $now) {
            self::assertSame(['w201112301800'], array_map(fn (Session $s): string => $s->key,
                $sessions->between(self::utc($now), self::utc('2012-01-01 00:00'), $apia)), $now);
        }
        self::assertSame('2011-12-31 04:00', $sessions->find('w201112301800', $apia, self::utc('2011-12-30 12:00'))?->startsAt
            ->format('Y-m-d H:i'));
    }

    /** @return iterable<string, array{list<string>, array<string, mixed>, string, 3?: string}> */
    public static function schedules(): iterable
    {
        $tuesdays = ['kind' => 'recurring', 'times' => ['18:00'], 'recurrence' => ['every' => 'week', 'days' => [2],
            'from' => '2027-01-01']];
        yield 'Tuesdays across the clock change' => [['2027-03-23 17:00', '2027-03-30 16:00', '2027-04-06 16:00'], $tuesdays,
            '2027-03-20 12:00'];
        yield 'the host’s hour for a visitor elsewhere' => [['2027-03-23 17:00', '2027-03-30 16:00', '2027-04-06 16:00'], $tuesdays,
            '2027-03-20 12:00', 'America/Chicago'];
        yield 'the visitor’s own hour' => [['2027-03-23 23:00', '2027-03-30 23:00', '2027-04-06 23:00'], ['theirs' => true] + $tuesdays,
            '2027-03-20 12:00', 'America/Chicago'];
        yield 'the visitor’s own hour, on the other side of the date line' => [['2027-03-23 04:00', '2027-03-30 04:00',
            '2027-04-06 04:00'],
            ['theirs' => true] + $tuesdays, '2027-03-20 12:00', 'Pacific/Kiritimati'];
        yield 'a half-hour zone' => [['2027-03-23 12:30', '2027-03-30 12:30', '2027-04-06 12:30'], ['theirs' => true] + $tuesdays,
            '2027-03-20 12:00', 'Asia/Kolkata'];
        $night = ['recurrence' => ['every' => 'week', 'days' => [7], 'from' => '2027-01-01'], 'offered' => 1] + $tuesdays;
        yield 'a time that is skipped lies as far into the hours that exist' => [['2027-03-28 01:30'], ['times' => ['02:30']] + $night,
            '2027-03-27 12:00'];
        yield 'two times that come to one moment are one session' => [['2027-03-28 01:30', '2027-04-04 00:30'],
            ['times' => ['02:30', '03:30'], 'offered' => 2, 'ahead' => 8] + $night, '2027-03-27 12:00'];
        yield 'of a time that happens twice the first is taken' => [['2027-10-31 00:30'], ['times' => ['02:30']] + $night,
            '2027-10-30 12:00'];
        yield 'every other week, counted from the first' => [['2027-01-05 17:00', '2027-01-19 17:00'], ['offered' => 2,
            'recurrence' => ['every' => 'week', 'interval' => 2, 'days' => [2], 'from' => '2027-01-05']] + $tuesdays, '2027-01-01 00:00'];
        $monthly = fn (array $r): array => ['ahead' => 120, 'recurrence' => $r + ['every' => 'month', 'from' => '2027-01-01']] + $tuesdays;
        yield 'the 31st, only where there is one' => [['2027-01-31 17:00', '2027-03-31 16:00'], ['offered' => 2]
            + $monthly(['monthDay' => 31]),
            '2027-01-01 00:00'];
        yield 'the last day' => [['2028-02-29 17:00', '2028-03-31 16:00'], ['offered' => 2] + $monthly(['monthDay' => -1]),
            '2028-02-01 00:00'];
        yield 'the second Tuesday' => [['2027-01-12 17:00', '2027-02-09 17:00'], ['offered' => 2] + $monthly(['days' => [2], 'nth' => 2]),
            '2027-01-01 00:00'];
        yield 'the last Friday' => [['2027-01-29 17:00', '2027-02-26 17:00'], ['offered' => 2] + $monthly(['days' => [5], 'nth' => -1]),
            '2027-01-01 00:00'];
        yield 'black-out days are passed by' => [['2027-03-23 17:00', '2027-04-06 16:00'], ['offered' => 2,
            'blackouts' => [['from' => '2027-03-29', 'until' => '2027-04-01']]] + $tuesdays, '2027-03-20 12:00'];
        yield 'its own last day' => [['2027-03-23 17:00'], ['recurrence' => ['every' => 'week', 'days' => [2], 'from' => '2027-01-01',
            'until' => '2027-03-29']] + $tuesdays, '2027-03-20 12:00'];
        yield 'no further ahead than is offered' => [['2027-03-23 17:00'], ['ahead' => 7] + $tuesdays, '2027-03-20 12:00'];

        $dates = ['kind' => 'dates', 'dates' => ['2027-03-20T10:00', '2027-03-10T18:00', '2027-03-20T10:00', '2027-04-30T10:00']];
        yield 'dates, in order and each once' => [['2027-03-10 17:00', '2027-03-20 09:00'], $dates, '2027-03-01 00:00'];
        yield 'closed a day before' => [['2027-03-20 09:00'], ['closes' => 1440] + $dates, '2027-03-09 17:00'];
        yield 'a minute before it closes' => [['2027-03-10 17:00', '2027-03-20 09:00'], ['closes' => 1440] + $dates, '2027-03-09 16:59'];
        yield 'at its start' => [['2027-03-20 09:00'], $dates, '2027-03-10 17:00'];
        yield 'until a quarter of an hour into it' => [['2027-03-10 17:00', '2027-03-20 09:00'], ['closes' => -15] + $dates,
            '2027-03-10 17:14'];

        yield 'until a quarter of an hour into it, across midnight' => [['2027-03-10 22:55'],
            ['closes' => -15, 'dates' => ['2027-03-10T23:55']]
            + $dates, '2027-03-10 23:05'];

        $soon = ['kind' => 'soon', 'offered' => 1];
        yield 'the next quarter hour' => [['2027-03-10 12:15'], $soon, '2027-03-10 12:00:00'];
        yield 'a second before it' => [['2027-03-10 12:15'], $soon, '2027-03-10 12:14:59'];
        yield 'the next half hour' => [['2027-03-10 12:30'], ['step' => 30] + $soon, '2027-03-10 12:01'];
        yield 'the next full hour of a visitor in Kolkata' => [['2027-03-10 12:30'], ['step' => 60] + $soon, '2027-03-10 12:01',
            'Asia/Kolkata'];
        yield 'of a visitor in Kathmandu' => [['2027-03-10 12:15'], ['step' => 60] + $soon, '2027-03-10 12:01', 'Asia/Kathmandu'];
        yield 'several of them' => [['2027-03-10 12:15', '2027-03-10 12:30', '2027-03-10 12:45'], ['offered' => 3] + $soon,
            '2027-03-10 12:00'];
        yield 'not at night' => [['2027-03-11 06:00'], ['quietFrom' => 22, 'quietUntil' => 7] + $soon, '2027-03-10 21:05'];
        yield 'the last before the night' => [['2027-03-10 20:45'], ['quietFrom' => 22, 'quietUntil' => 7] + $soon, '2027-03-10 20:44'];
        yield 'quiet at noon' => [['2027-03-10 13:00'], ['quietFrom' => 12, 'quietUntil' => 14] + $soon, '2027-03-10 11:05'];
        yield 'soon, but not on a black-out day' => [['2027-03-10 23:00'], ['blackouts' => [['from' => '2027-03-10']]] + $soon,
            '2027-03-10 11:05'];
        yield 'full hours where the clocks change by half an hour' => [['2027-04-03 14:00', '2027-04-03 15:30'],
            ['step' => 60, 'offered' => 2] + $soon, '2027-04-03 13:01', 'Australia/Lord_Howe'];
    }

    /**
     * @param  list<string>  $expected
     * @param  array<string, mixed>  $with
     */
    #[DataProvider('schedules')]
    public function test_which_sessions_are_offered(array $expected, array $with, string $now, string $zone = 'Europe/Berlin'): void
    {
        self::assertSame($expected, self::offered($with, $now, $zone));
        // Each is found again by its key, and by nobody else's schedule.
        foreach (self::sessions($with)->offered(self::utc($now), new DateTimeZone($zone)) as $choice) {
            $found = self::sessions($with)->find($choice->session->key, new DateTimeZone($zone), self::utc($now));
            self::assertEquals($choice->session->startsAt, $found?->startsAt, $choice->session->key);
            self::assertSame($choice->session->startsAt->modify('+60 minutes')->getTimestamp(), $found?->endsAt->getTimestamp());
        }
        self::assertEquals(Schedule::fromShape(Shape::of($with + ['zone' => 'Europe/Berlin'])),
            Schedule::fromShape(Shape::of(Schedule::fromShape(Shape::of($with + ['zone' => 'Europe/Berlin']))->toArray())));
    }

    public static function setUpBeforeClass(): void
    {
        // The library's class is written for earlier versions of the language, which says so when it is loaded.
        set_error_handler(fn (): bool => true, E_DEPRECATED);
        (new RRuleIterator('FREQ=DAILY;COUNT=1', new DateTimeImmutable('2027-01-01')))->next();
        restore_error_handler();
    }

    public function test_days_that_come_again_are_those_of_the_standard(): void
    {
        $rules = [];
        foreach ([1, 2, 3, 5] as $interval) {
            foreach ([[1], [2, 4], [1, 3, 5, 7]] as $days) {
                $rules[] = ['every' => 'week', 'interval' => $interval, 'days' => $days];
                foreach ([1, 2, 3, 4, -1] as $nth) {
                    $rules[] = ['every' => 'month', 'interval' => $interval, 'days' => [$days[0]], 'nth' => $nth];
                }
            }
            foreach ([1, 15, 28, 29, 30, 31, -1] as $day) {
                $rules[] = ['every' => 'month', 'interval' => $interval, 'monthDay' => $day];
            }
        }
        foreach ($rules as $rule) {
            foreach (['2027-01-01', '2028-01-31', '2026-12-29'] as $from) {
                $recurrence = Recurrence::fromShape(Shape::of($rule + ['from' => $from]));
                $ours = iterator_to_array($recurrence->between($from, '2029-12-31'), false);
                $theirs = [];
                // The library takes its start for an occurrence in any case: it begins on the first that is one.
                $iterator = new RRuleIterator($recurrence->rule(), new DateTimeImmutable($ours[0].' 00:00', new DateTimeZone('UTC')));
                while ($iterator->valid() && ($day = $iterator->current()?->format('Y-m-d')) !== null && $day <= '2029-12-31') {
                    $theirs[] = $day;
                    $iterator->next();
                }
                // Which weeks and months are counted follows from where a rule begins: the library was begun later.
                if (($rule['interval'] ?? 1) === 1 || substr($ours[0], 0, 7) === substr($from, 0, 7)) {
                    self::assertSame($ours, $theirs, $recurrence->rule()." from {$from}");
                }
            }
        }
    }

    public function test_places_run_out_and_a_waiting_list_begins(): void
    {
        $dates = ['kind' => 'dates', 'dates' => ['2027-03-10T18:00', '2027-03-20T10:00'], 'places' => 5];
        self::assertSame(['2027-03-10 17:00 full', '2027-03-20 09:00'], self::offered($dates, '2027-03-01 00:00',
            taken: ['s202703101700' => 5, 's202703200900' => 4]));
        $choice = self::sessions($dates)->offered(self::utc('2027-03-01 00:00'), new DateTimeZone('UTC'), ['s202703101700' => 9])[0];
        self::assertSame([0, 'full'], [$choice->left, $choice->state->value]);
    }

    public function test_keys_that_were_made_up_name_nothing(): void
    {
        $zone = new DateTimeZone('Europe/Berlin');
        $now = self::utc('2027-03-01 00:00');
        $dates = self::sessions(['kind' => 'dates', 'dates' => ['2027-03-10T18:00']]);
        self::assertInstanceOf(Session::class, $dates->find('s202703101700', $zone, $now));
        foreach (['', 'd', 's', 's202703101800', 'n202703101700', 'w202703101800', 's202713101700', 's20270310170', 's2027031017000',
            "s202703101700\n", 's202702301700', 's202703102560'] as $key) {
            self::assertNull($dates->find($key, $zone, $now), $key);
        }
        $soon = self::sessions(['kind' => 'soon', 'step' => 30]);
        self::assertNotNull($soon->find('n202703101730', $zone, $now));
        self::assertNull($soon->find('n202703101745', $zone, $now));
        self::assertSame('d', self::sessions(['kind' => 'on-demand'])->find('d', $zone, $now)?->key);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        $recurring = ['kind' => 'recurring', 'times' => ['18:00'], 'recurrence' => ['every' => 'week', 'days' => [2],
            'from' => '2027-01-01']];
        yield 'no such zone' => [['kind' => 'soon', 'zone' => 'Mars/Olympus'], 'zone'];
        yield 'no such day' => [['kind' => 'dates', 'dates' => ['2027-02-30T18:00']], 'dates'];
        yield 'no such time' => [['times' => ['24:00']] + $recurring, 'times'];
        yield 'no time' => [['times' => []] + $recurring, 'times'];
        yield 'no weekday' => [['recurrence' => ['every' => 'week', 'from' => '2027-01-01']] + $recurring, 'recurrence.days'];
        yield 'an end before its beginning' => [['recurrence' => ['every' => 'week', 'days' => [1], 'from' => '2027-02-01',
            'until' => '2027-01-01']] + $recurring, 'recurrence.until'];
        yield 'a step that is none' => [['kind' => 'soon', 'step' => 20], 'step'];
        yield 'no places' => [['kind' => 'soon', 'places' => 0], 'places'];
        yield 'a year as a word' => [['recurrence' => ['every' => 'week', 'days' => [1], 'from' => 'soon']] + $recurring,
            'recurrence.from'];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('bad')]
    public function test_bad_input_is_named_by_its_place(array $with, string $path): void
    {
        try {
            self::sessions($with);
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }
}
