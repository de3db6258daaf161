<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Results\GoalProgress;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GoalProgressTest extends TestCase
{
    /** @return iterable<string, array{string, int, bool, bool, int}> */
    public static function moments(): iterable
    {
        yield 'at once' => ['2026-03-01 00:00', 0, true, false, 10];
        yield 'half of its time, half of it' => ['2026-03-06 00:00', 10, true, false, 5];
        yield 'half of its time, a little less' => ['2026-03-06 00:00', 9, false, false, 5];
        yield 'the last hour' => ['2026-03-10 23:00', 19, false, false, 1];
        yield 'reached early' => ['2026-03-02 00:00', 25, true, false, 9];
        yield 'over' => ['2026-03-11 00:00', 19, false, true, 0];
        yield 'over, and reached' => ['2026-04-11 00:00', 20, true, true, 0];
        yield 'a clock that went back' => ['2026-02-01 00:00', 0, true, false, 38];
    }

    #[DataProvider('moments')]
    public function test_twenty_in_ten_days(string $now, int $reached, bool $ahead, bool $over, int $days): void
    {
        $at = fn (string $moment): DateTimeImmutable => new DateTimeImmutable($moment, new DateTimeZone('UTC'));
        $stands = GoalProgress::of(20, $reached, $at('2026-03-01 00:00'), $at('2026-03-11 00:00'), $at($now));
        self::assertSame([$ahead, $over, $days], [$stands->ahead, $stands->over, $stands->days]);
        self::assertEquals(min($at($now), $at('2026-03-11 00:00')), GoalProgress::counts($at('2026-03-11 00:00'), $at($now)));
    }

    public function test_today_is_still_to_come_and_yesterday_is_over(): void
    {
        $now = new DateTimeImmutable('2026-03-10 23:30 UTC');
        // In Berlin it is the eleventh already.
        self::assertSame('2026-03-10', GoalProgress::lastDay('2026-03-10', $now, new DateTimeZone('UTC')));
        $this->expectException(Invalid::class);
        GoalProgress::lastDay('2026-03-10', $now, new DateTimeZone('Europe/Berlin'));
    }
}
