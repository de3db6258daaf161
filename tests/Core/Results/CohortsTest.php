<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Results\Cohorts;
use PHPUnit\Framework\TestCase;

final class CohortsTest extends TestCase
{
    private static function at(string $moment): DateTimeImmutable
    {
        return new DateTimeImmutable($moment, new DateTimeZone('UTC'));
    }

    public function test_what_came_of_those_who_joined_in_the_same_week(): void
    {
        // Sunday evening in Berlin and Monday morning, on either side of the week, as the clocks go forward.
        $joined = ['ada' => self::at('2026-03-29 21:30'), 'fen' => self::at('2026-03-29 22:30'), 'kim' => self::at('2026-03-31 10:00')];
        $paid = [['person' => 'ada', 'at' => self::at('2026-04-05 21:29'), 'amount' => 19_000],
            ['person' => 'ada', 'at' => self::at('2026-04-20 10:00'), 'amount' => -4_000],
            ['person' => 'fen', 'at' => self::at('2026-04-13 22:30'), 'amount' => 29_000],
            ['person' => 'kim', 'at' => self::at('2026-03-30 10:00'), 'amount' => 5_000]];
        $left = ['kim' => self::at('2026-04-02 10:00'), 'ada' => self::at('2026-01-01')];
        $cohorts = Cohorts::of($joined, $paid, $left, new DateTimeZone('Europe/Berlin'), self::at('2026-05-04 12:00'));

        self::assertSame(['2026-03-30', '2026-03-23'], array_column($cohorts, 'week'));
        self::assertSame([2, 1], array_column($cohorts, 'people'));
        self::assertSame([1 => ['buyers' => 1, 'revenue' => 19_000, 'left' => 0], 2 => ['buyers' => 1, 'revenue' => 19_000, 'left' => 0],
            4 => ['buyers' => 1, 'revenue' => 15_000, 'left' => 0], 8 => null], $cohorts[1]['after']);
        // Fen bought a day after two weeks; Kim had bought before.
        self::assertSame([1 => ['buyers' => 0, 'revenue' => 0, 'left' => 1], 2 => ['buyers' => 0, 'revenue' => 0, 'left' => 1],
            4 => ['buyers' => 1, 'revenue' => 29_000, 'left' => 1], 8 => null], $cohorts[0]['after']);
    }

    public function test_what_is_still_to_come_is_not_known(): void
    {
        $joined = ['ada' => self::at('2026-04-01 10:00')];
        $after = fn (string $now): array => Cohorts::of($joined, [], [], new DateTimeZone('UTC'), self::at($now))[0]['after'];
        self::assertSame([null, null, null, null], array_values($after('2026-04-12 23:59')), 'not a week for all who may join in it');
        self::assertNotNull($after('2026-04-13 00:00')[1]);
        self::assertSame([], Cohorts::of([], [], [], new DateTimeZone('UTC'), self::at('2026-04-01')));
    }
}
