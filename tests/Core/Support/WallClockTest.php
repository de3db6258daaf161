<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use DateTimeZone;
use Lantern\Core\Deadlines\ForEveryone;
use Lantern\Core\Offers\SaleWindow;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\WallClock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WallClockTest extends TestCase
{
    /** @return iterable<string, array{string, bool}> */
    public static function days(): iterable
    {
        yield 'a day' => ['2027-03-09', true];
        yield 'a leap day' => ['2028-02-29', true];
        yield 'no leap day' => ['2027-02-29', false];
        yield 'no leap day of a century' => ['2100-02-29', false];
        yield 'no such day' => ['2027-04-31', false];
        yield 'no such month' => ['2027-13-01', false];
        yield 'the year nought' => ['0000-01-01', false];
        yield 'the last year' => ['9000-12-31', true];
        yield 'a year too far' => ['9001-01-01', false];
        yield 'nothing' => ['', false];
        yield 'a byte that is none' => ["\0", false];
        yield 'a day and a byte that is none' => ["2027-03-09\0", false];
        yield 'a line that goes on' => ["2027-03-09\n", false];
        yield 'other digits' => ['２０２７-03-09', false];
        yield 'short' => ['2027-3-9', false];
        yield 'no text of this encoding' => ["\xff\xfe2027-03", false];
    }

    #[DataProvider('days')]
    public function test_days_and_moments_are_told_from_other_texts(string $day, bool $is): void
    {
        self::assertSame($is, WallClock::isDay($day));
        self::assertSame($is, WallClock::isMoment("{$day}T23:59"));
        foreach (['T24:00', 'T9:00', ' 09:00', 'T09:60', "T09:00\n", 'T09:00:00', "T\0", ''] as $time) {
            self::assertFalse(WallClock::isMoment($day.$time), $time);
        }
    }

    public function test_a_byte_that_is_none_is_refused_wherever_a_moment_is_read(): void
    {
        foreach ([fn () => ForEveryone::of("\0", 'UTC'), fn () => SaleWindow::of("\0", ''),
            fn () => SaleWindow::of('', "2027-01-01T10:00\0")] as $read) {
            try {
                $read();
                self::fail('It was taken.');
            } catch (Invalid $wrong) {
                self::assertSame('A moment is written like 2027-03-12T18:00.', $wrong->getMessage());
            }
        }
    }

    /** @return iterable<string, array{string, string, string, string}> day, time, zone, moment in UTC */
    public static function walls(): iterable
    {
        yield 'winter' => ['2027-01-15', '18:00', 'Europe/Berlin', '2027-01-15 17:00'];
        yield 'skipped' => ['2027-03-28', '02:30', 'Europe/Berlin', '2027-03-28 01:30'];
        yield 'twice' => ['2027-10-31', '02:30', 'Europe/Berlin', '2027-10-31 00:30'];
        yield 'half an hour of change' => ['2027-10-03', '02:15', 'Australia/Lord_Howe', '2027-10-02 15:45'];
        yield 'a day that was left out' => ['2011-12-30', '12:00', 'Pacific/Apia', '2011-12-30 22:00'];
    }

    #[DataProvider('walls')]
    public function test_what_a_clock_shows_is_one_moment(string $day, string $time, string $zone, string $moment): void
    {
        self::assertSame($moment, WallClock::at($day, $time, new DateTimeZone($zone))->format('Y-m-d H:i'));
    }

    public function test_a_zone_is_known_by_the_name_that_it_has_today(): void
    {
        foreach (['Europe/Oslo' => true, 'UTC' => true, 'Asia/Kolkata' => true, 'Asia/Calcutta' => false, 'europe/oslo' => false,
            'Europe/Oslo ' => false, '+02:00' => false, '' => false, "UTC\0" => false] as $name => $is) {
            self::assertSame($is, WallClock::isZone($name), (string) json_encode($name));
        }
    }
}
