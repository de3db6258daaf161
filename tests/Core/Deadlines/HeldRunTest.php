<?php

declare(strict_types=1);

namespace Tests\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\HeldRun;
use Lantern\Core\Deadlines\Run;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Of several runs of one deadline the one that holds: what was promised, while it runs; else what the deadline is by now. */
final class HeldRunTest extends TestCase
{
    /** @return iterable<string, array{list<array{string, string, bool}>, string|null}> began, ends, of the other kind; the end that holds at noon */
    public static function runs(): iterable
    {
        yield 'none' => [[], null];
        yield 'its own' => [[['10:00', '13:00', false]], '13:00'];
        yield 'its own, over' => [[['10:00', '11:00', false]], '11:00'];
        yield 'of two the one that began first' => [[['11:00', '15:00', false], ['10:00', '13:00', false]], '13:00'];
        yield 'also where that is over' => [[['11:00', '15:00', false], ['10:00', '11:30', false]], '11:30'];
        yield 'of the other kind, while it runs' => [[['10:00', '13:00', true]], '13:00'];
        yield 'and before one of this kind' => [[['09:00', '18:00', false], ['10:00', '13:00', true]], '13:00'];
        yield 'of the other kind, over: nothing' => [[['10:00', '12:00', true]], null];
        yield 'of the other kind, over: then that of this kind' => [[['09:00', '11:00', true], ['11:30', '14:00', false]], '14:00'];
    }

    /** @param  list<array{string, string, bool}>  $runs */
    #[DataProvider('runs')]
    public function test_the_run_that_holds(array $runs, ?string $end): void
    {
        $at = fn (string $time): DateTimeImmutable => new DateTimeImmutable("2027-03-01 {$time}", new DateTimeZone('UTC'));
        $held = HeldRun::of(array_map(fn (array $r): Run => new Run($at($r[0]), $at($r[1]), ofOtherKind: $r[2]), $runs), $at('12:00'));

        self::assertSame($end, $held?->endsAt->format('H:i'));
    }

    public function test_what_was_noticed_to_be_over_holds_no_more_whatever_the_clock_says(): void
    {
        $at = new DateTimeImmutable('2027-03-01 12:00', new DateTimeZone('UTC'));

        self::assertNull(HeldRun::of([new Run($at, $at->modify('+1 hour'), closed: true, ofOtherKind: true)], $at));
    }
}
