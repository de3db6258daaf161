<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use Lantern\Core\Attention\Intervals;
use Lantern\Core\Attention\Report;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\AttendanceThreshold;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class AttendanceTest extends TestCase
{
    public function test_what_was_seen_is_the_union_in_whatever_order_it_comes(): void
    {
        $dice = new Randomizer(new Mt19937(7));
        for ($n = 0; $n < 200; $n++) {
            $intervals = [];
            $seconds = [];
            for ($i = $dice->getInt(0, 12); $i > 0; $i--) {
                $from = $dice->getInt(0, 200);
                $until = $from + $dice->getInt(-5, 40);
                $intervals[] = [$from, $until];
                for ($s = $from; $s < $until; $s++) {
                    $seconds[$s] = true;
                }
            }
            $watched = Intervals::of($intervals);
            self::assertSame(count($seconds), $watched->seconds());
            self::assertSame($seconds === [] ? null : min(array_keys($seconds)), $watched->first());
            self::assertSame($seconds === [] ? null : max(array_keys($seconds)) + 1, $watched->until());
            self::assertEquals($watched, Intervals::of([...array_reverse($intervals), ...$intervals]), 'doubled, and the other way round');
            $half = intdiv(count($intervals), 2);
            self::assertEquals($watched, Intervals::of(array_slice($intervals,
                $half))->and(Intervals::of(array_slice($intervals, 0, $half))));
            $seen = array_merge(...array_map(fn (array $i): array => range($i[0], $i[1] - 1), $watched->intervals));
            self::assertEqualsCanonicalizing(array_keys($seconds), $seen);
        }
        self::assertSame([[0, 9], [12, 14]], Intervals::of([[5, 9], [12, 14], [0, 5]])->intervals);
        self::assertSame([0.5, 1.0, 0.0], [Intervals::of([[0, 30]])->share(60), Intervals::of([[0, 90]])->share(60),
            Intervals::of([[0, 30]])->share(0)]);
    }

    /**
     * @return iterable<string, array{array{int, int}, int, int, int, list<array{int, int}>}> what is reported, seconds here, believed
     *     before, reached
     */
    public static function beats(): iterable
    {
        yield 'the first quarter of a minute' => [[0, 15], 15, 0, 15, [[0, 15]]];
        yield 'somebody who comes two minutes late' => [[120, 135], 15, 0, 135, [[120, 135]]];
        yield 'a whole hour at once, after a minute' => [[0, 3600], 60, 0, 3600, [[3520, 3600]]];
        yield 'what is yet to come' => [[600, 700], 30, 0, 60, []];
        yield 'a year' => [[0, 31_536_000], 30, 0, 60, [[30, 80]]];
        yield 'before the beginning' => [[-50, 10], 60, 0, 60, [[0, 10]]];
        yield 'backwards' => [[50, 20], 60, 0, 60, []];
        yield 'ten in one second' => [[0, 15], 1, 20, 15, [[14, 15]]];
        yield 'once more than can be' => [[0, 15], 1, 21, 15, []];
        yield 'nothing' => [[10, 10], 60, 0, 60, []];
    }

    /**
     * @param  array{int, int}  $reported
     * @param  list<array{int, int}>  $believed
     */
    #[DataProvider('beats')]
    public function test_what_of_a_report_is_believed(array $reported, int $here, int $before, int $reached, array $believed): void
    {
        self::assertSame($believed, (new Report(...$reported))->believed($here, $before, $reached)->intervals);
    }

    /** @return iterable<string, array{string, AttendanceThreshold, list<array{int, int}>, 3?: list<array{int, int}>, 4?: int|null, 5?: bool}> */
    public static function people(): iterable
    {
        $share = new AttendanceThreshold(percent: 60);
        yield 'stayed to the end' => ['attended saw-offer', $share, [[0, 3600]]];
        yield 'left as it came' => ['attended', $share, [[0, 2700]]];
        yield 'left a second after it came' => ['attended saw-offer', $share, [[0, 2701]]];
        yield 'just long enough' => ['attended', $share, [[0, 2160]]];
        yield 'a second less' => ['left-early', $share, [[0, 2159]]];
        yield 'came late and saw the offer' => ['saw-offer left-early', $share, [[2600, 3600]]];
        yield 'was away at its moment and came back' => ['attended saw-offer', $share, [[0, 2690], [2740, 3600]]];
        yield 'came for the last second' => ['saw-offer left-early', $share, [[3599, 3600]]];
        yield 'came while it overran' => ['saw-offer left-early', $share, [[3700, 3710]]];
        yield 'never came' => ['missed', $share, []];
        yield 'never came, and watched the replay' => ['missed watched-replay', $share, [], [[0, 60]]];
        yield 'only looked into the replay' => ['missed', $share, [], [[0, 59]]];
        yield 'is still in it' => ['', $share, [[0, 900]], [], 2700, false];
        yield 'may still come' => ['', $share, [], [], 2700, false];
        yield 'there was no offer' => ['attended', $share, [[0, 3600]], [], null];
        yield 'so many minutes' => ['attended', new AttendanceThreshold(10), [[0, 300], [400, 700]]];
        yield 'a second less than so many minutes' => ['left-early', new AttendanceThreshold(10), [[0, 599]]];
    }

    /**
     * @param  list<array{int, int}>  $live
     * @param  list<array{int, int}>  $replay
     */
    #[DataProvider('people')]
    public function test_what_became_of_somebody(string $expected, AttendanceThreshold $threshold, array $live, array $replay = [],
        ?int $offerAt = 2700,
        bool $over = true): void
    {
        self::assertSame($expected, implode(' ', array_map(fn (AttendanceOutcome $o): string => $o->value,
            $threshold->outcomes(Intervals::of($live), Intervals::of($replay), 3600, $offerAt, $over))));
    }
}
