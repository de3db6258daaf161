<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Results\Period;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PeriodTest extends TestCase
{
    public function test_as_many_days_right_before(): void
    {
        $period = Period::between('2026-03-20', '2026-04-02');
        self::assertSame([14, '2026-03-06', '2026-03-19'], [$period->length(), $period->before()->from, $period->before()->to]);
        self::assertSame(['2026-03-20', '2026-04-02'], [$period->days()[0], $period->days()[13]]);
    }

    /** @return iterable<string, array{string, string, string, int}> */
    public static function clocks(): iterable
    {
        yield 'a day of 23 hours' => ['2026-03-29', '2026-03-29', 'Europe/Berlin', 23];
        yield 'a day of 25 hours' => ['2026-10-25', '2026-10-25', 'Europe/Berlin', 25];
        yield 'a day whose midnight is skipped' => ['2026-09-06', '2026-09-06', 'America/Santiago', 23];
        yield 'a day like any other' => ['2026-06-01', '2026-06-01', 'Asia/Kathmandu', 24];
        yield 'a week with a change in it' => ['2026-03-27', '2026-04-02', 'Europe/Berlin', 167];
    }

    #[DataProvider('clocks')]
    public function test_from_its_first_moment_to_its_last_whatever_the_clocks_do(string $from, string $to, string $zone, int $hours): void
    {
        $period = Period::between($from, $to);
        $zone = new DateTimeZone($zone);
        self::assertSame($hours * 3600, $period->ends($zone)->getTimestamp() - $period->begins($zone)->getTimestamp());
    }

    public function test_the_last_days_end_today_in_the_owners_zone(): void
    {
        $period = Period::last(7, new DateTimeImmutable('2026-12-31 23:30:00 UTC'), new DateTimeZone('Europe/Berlin'));
        self::assertSame(['2026-12-26', '2027-01-01'], [$period->from, $period->to]);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function wrong(): iterable
    {
        yield 'no date' => ['soon', '2026-01-01', 'from'];
        yield 'a day that is not' => ['2026-02-30', '2026-03-01', 'from'];
        yield 'nothing' => ['', '', 'from'];
        yield 'the last before the first' => ['2026-02-02', '2026-02-01', 'to'];
        yield 'too long' => ['2020-01-01', '2026-01-01', 'to'];
        yield 'a null byte' => ["2026-01-0\0", '2026-01-01', 'from'];
        yield 'another millennium' => ['1026-01-01', '2026-01-01', 'from'];
    }

    #[DataProvider('wrong')]
    public function test_says_what_is_wrong(string $from, string $to, string $at): void
    {
        try {
            Period::between($from, $to);
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($at, $e->path);
        }
    }
}
