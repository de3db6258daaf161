<?php

declare(strict_types=1);

namespace Tests\Core\Emails;

use DateTimeImmutable;
use Lantern\Core\Emails\BroadcastPlan;
use Lantern\Core\Emails\BroadcastTiming;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** When a broadcast goes, when its test has run, and when it goes once more. */
final class BroadcastTimingTest extends TestCase
{
    private static function at(string $moment = '2026-12-01 12:00:00'): DateTimeImmutable
    {
        return new DateTimeImmutable("{$moment} UTC");
    }

    /** @param  array<string, mixed>  $with */
    private static function plan(array $with = []): BroadcastPlan
    {
        return BroadcastPlan::fromShape(Shape::of($with + ['hours' => 4]));
    }

    /** @return iterable<string, array{bool, string}> */
    public static function moments(): iterable
    {
        yield 'now' => [false, '2026-12-01 12:00:00'];
        yield 'a second on' => [true, '2026-12-01 12:00:01'];
        yield 'in a year' => [true, '2027-12-01 12:00:00'];
        yield 'later' => [false, '2027-12-01 12:00:01'];
    }

    #[DataProvider('moments')]
    public function test_when_it_may_be_sent(bool $may, string $at): void
    {
        self::assertSame($may, BroadcastTiming::refusal(self::at($at), self::at()) === null);
    }

    /** @return iterable<string, array{bool, string|null, bool, string|null}> has it run; began, some are due, the last went out */
    public static function trials(): iterable
    {
        yield 'not begun' => [false, null, false, null];
        yield 'long enough' => [true, '2026-12-01 08:00:00', false, '2026-12-01 08:00:00'];
        yield 'a second short' => [false, '2026-12-01 08:00:01', false, null];
        yield 'nobody got it' => [true, '2026-12-01 08:00:00', false, null];
        yield 'some are still due' => [false, '2026-12-01 08:00:00', true, '2026-12-01 08:00:00'];
        yield 'the last got it late' => [false, '2026-12-01 06:00:00', false, '2026-12-01 08:00:01'];
    }

    #[DataProvider('trials')]
    public function test_when_its_test_has_run(bool $expected, ?string $began, bool $due, ?string $last): void
    {
        self::assertSame($expected, BroadcastTiming::hasRun(self::plan(), $began === null ? null : self::at($began), $due,
            $last === null ? null : self::at($last), self::at()));
    }

    public function test_when_it_goes_once_more(): void
    {
        self::assertNull(BroadcastTiming::againAt(self::plan(), self::at()));
        self::assertNull(BroadcastTiming::againAt(self::plan(['againDays' => 3]), null));
        self::assertNotNull(BroadcastTiming::againAt(self::plan(['againDays' => 1]), self::at()));
        $again = BroadcastTiming::againAt(self::plan(['againDays' => 3]), self::at()) ?? self::at();
        self::assertSame('2026-12-04 12:00:00', $again->format('Y-m-d H:i:s'));
        self::assertSame([false, true], [BroadcastTiming::isDue($again, self::at('2026-12-04 11:59:59')), BroadcastTiming::isDue($again,
            $again)]);
    }
}
