<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use DateTimeImmutable;
use Lantern\Core\Deadlines\FirstEnd;
use Lantern\Core\Deadlines\MovedEnd;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\Queue;
use Lantern\Core\Orders\OpenPayment;
use Lantern\Core\Support\Validity;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** For how long things hold, to the very moment. */
final class ValidityTest extends TestCase
{
    private static function at(string $moment = '2026-12-01 12:00:00'): DateTimeImmutable
    {
        return new DateTimeImmutable("{$moment} UTC");
    }

    /** @return iterable<string, array{bool, bool}> */
    public static function moments(): iterable
    {
        $now = self::at();
        yield 'a link at its last moment' => [true, Validity::until($now, $now)];
        yield 'a moment later' => [false, Validity::until(self::at('2026-12-01 11:59:59.999'), $now)];
        yield 'a ticket of an hour' => [true, Validity::since(self::at('2026-12-01 11:00:00'), 3600, $now)];
        yield 'a second more' => [false, Validity::since(self::at('2026-12-01 10:59:59'), 3600, $now)];
        yield 'told just now' => [true, Validity::near($now, 60, $now)];
        yield 'told a minute ago' => [true, Validity::near(self::at('2026-12-01 11:59:00'), 60, $now)];
        yield 'told too long ago' => [false, Validity::near(self::at('2026-12-01 11:58:59'), 60, $now)];
        yield 'by a clock a minute ahead' => [true, Validity::near(self::at('2026-12-01 12:01:00'), 60, $now)];
        yield 'by a clock too far ahead' => [false, Validity::near(self::at('2026-12-01 12:01:01'), 60, $now)];

        yield 'a message that is due, with room' => [true, Queue::isAtOnce($now, 1, $now)];
        yield 'a message that is due, without' => [false, Queue::isAtOnce($now, 0, $now)];
        yield 'one that is to come' => [false, Queue::isAtOnce(self::at('2026-12-01 12:00:01'), 9, $now)];

        yield 'a payment that was never asked for' => [true, OpenPayment::isGivenUp(null, 30, $now)];
        yield 'asked for half an hour ago' => [false, OpenPayment::isGivenUp(self::at('2026-12-01 11:30:00'), 30, $now)];
        yield 'and a second' => [true, OpenPayment::isGivenUp(self::at('2026-12-01 11:29:59'), 30, $now)];

        yield 'moved to now' => [false, MovedEnd::refusal($now, $now) === null];
        yield 'moved a second on' => [true, MovedEnd::refusal(self::at('2026-12-01 12:00:01'), $now) === null];
        yield 'moved by two years' => [true, MovedEnd::refusal(self::at('2028-12-01 12:00:00'), $now) === null];
        yield 'moved further' => [false, MovedEnd::refusal(self::at('2028-12-01 12:00:01'), $now) === null];
    }

    #[DataProvider('moments')]
    public function test_whether_it_holds(bool $expected, bool $is): void
    {
        self::assertSame($expected, $is);
    }

    public function test_of_several_deadlines_the_first_end_counts(): void
    {
        $run = fn (string $end, bool $closed = false): Run => new Run(self::at('2026-11-01 12:00:00'), self::at($end), closed: $closed);
        $of = fn (Run ...$runs): array => [FirstEnd::of($runs, self::at())->at?->format('d H:i'), FirstEnd::of($runs, self::at())->isOver];

        self::assertSame([null, false], $of());
        self::assertSame(['02 12:00', false], $of($run('2026-12-03 12:00'), $run('2026-12-02 12:00')));
        self::assertSame(['01 12:00', true], $of($run('2026-12-03 12:00'), $run('2026-12-01 12:00')));
        self::assertSame(['03 12:00', true], $of($run('2026-12-03 12:00', true)), 'noticed, and a clock that was set back');
    }
}
