<?php

declare(strict_types=1);

namespace Tests\Core\Agenda;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Agenda\WeeklyMoment;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WeeklyMomentTest extends TestCase
{
    /** @return iterable<string, array{string, string|null, string|null, string}> now, the last time, what is due, what comes next; in UTC */
    public static function moments(): iterable
    {
        yield 'early on Monday' => ['2026-03-30 05:59', null, null, '2026-03-30 06:00'];
        yield 'at eight, an hour earlier in UTC than the week before' => ['2026-03-30 06:00', '2026-03-23 07:00', '2026-03-30 06:00',
            '2026-03-30 06:00'];
        yield 'done' => ['2026-03-30 06:01', '2026-03-30 06:00', null, '2026-04-06 06:00'];
        yield 'on Thursday, never done' => ['2026-04-02 12:00', null, '2026-03-30 06:00', '2026-03-30 06:00'];
        yield 'on Sunday night there, Monday in the east' => ['2026-04-05 22:30', '2026-03-30 06:00', null, '2026-04-06 06:00'];
        yield 'weeks late is once' => ['2026-05-06 10:00', '2026-03-30 06:00', '2026-05-04 06:00', '2026-05-04 06:00'];
    }

    #[DataProvider('moments')]
    public function test_each_monday_at_eight_of_the_owners_clock(string $now, ?string $last, ?string $due, string $next): void
    {
        $at = fn (?string $moment): ?DateTimeImmutable => $moment === null ? null : new DateTimeImmutable($moment, new DateTimeZone('UTC'));
        $zone = new DateTimeZone('Europe/Berlin');
        $is = $at($now) ?? self::fail('A moment.');
        self::assertEquals($at($due), WeeklyMoment::due(8, $at($last), $is, $zone));
        self::assertEquals($at($next), WeeklyMoment::next(8, $at($last), $is, $zone));
    }
}
