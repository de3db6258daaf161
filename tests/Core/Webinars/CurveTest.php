<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use Lantern\Core\Attention\Intervals;
use Lantern\Core\Webinars\Curve;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** How many were there over the time of a session: tables of cases, and held against counting second by second. */
final class CurveTest extends TestCase
{
    /** @return iterable<string, array{list<list<array{int, int}>>, int, int, list<int>}> what each has seen, length, step, counts */
    public static function curves(): iterable
    {
        yield 'nobody' => [[], 3, 1, [0, 0, 0]];
        yield 'no length' => [[[[0, 10]]], 0, 1, []];
        yield 'one, all along' => [[[[0, 4]]], 4, 1, [1, 1, 1, 1]];
        yield 'one comes, one goes' => [[[[0, 2]], [[1, 4]]], 4, 1, [1, 2, 1, 1]];
        yield 'one who left and came back' => [[[[0, 1], [3, 4]]], 4, 1, [1, 0, 0, 1]];
        yield 'beyond the end' => [[[[2, 900]]], 4, 1, [0, 0, 1, 1]];
        yield 'a step of two counts the seconds of its points alone' => [[[[1, 2]], [[0, 1]], [[2, 240]]], 240, 2,
            [1, ...array_fill(0, 119, 1)]];
        yield 'twice within one point is one' => [[[[0, 1], [1, 2]]], 240, 2, [1, ...array_fill(0, 119, 0)]];
    }

    /**
     * @param  list<list<array{int, int}>>  $people
     * @param  list<int>  $counts
     */
    #[DataProvider('curves')]
    public function test_who_was_there(array $people, int $length, int $step, array $counts): void
    {
        $curve = Curve::of(array_map(Intervals::of(...), $people), $length);
        self::assertSame([$step, $counts], [$curve->step, $curve->counts]);
        self::assertSame($counts === [] ? 0 : max($counts), $curve->most());
    }

    public function test_it_is_what_counting_every_second_comes_to(): void
    {
        $dice = new Randomizer(new Mt19937(7));
        for ($try = 0; $try < 60; $try++) {
            $length = $dice->getInt(1, 900);
            $people = [];
            for ($p = $dice->getInt(0, 12); $p > 0; $p--) {
                $intervals = [];
                for ($i = $dice->getInt(0, 9); $i > 0; $i--) {
                    $from = $dice->getInt(0, $length);
                    $intervals[] = [$from, $from + $dice->getInt(0, 200)];
                }
                $people[] = Intervals::of($intervals);
            }
            $curve = Curve::of($people, $length);
            self::assertLessThanOrEqual(Curve::MOST, count($curve->counts));
            foreach ($curve->counts as $i => $count) {
                $second = $i * $curve->step;
                $there = array_filter($people, fn (Intervals $w): bool => array_filter($w->intervals,
                    fn (array $seen): bool => $second >= $seen[0] && $second < $seen[1]) !== []);
                self::assertCount($count, $there, "try {$try}, second {$second}");
            }
        }
    }
}
