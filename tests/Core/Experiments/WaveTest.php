<?php

declare(strict_types=1);

namespace Tests\Core\Experiments;

use Lantern\Core\Experiments\Wave;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WaveTest extends TestCase
{
    /** @return iterable<string, array{array<string, array{int, int}>, list<string>}> */
    public static function days(): iterable
    {
        $usual = ['2026-03-01' => [20, 6], '2026-03-02' => [25, 8], '2026-03-03' => [18, 5], '2026-03-04' => [22, 7]];
        yield 'days like any other' => [$usual, []];
        yield 'programs, that do nothing' => [$usual + ['2026-03-05' => [400, 1]], ['2026-03-05']];
        yield 'a mention on the radio: they join as others do' => [$usual + ['2026-03-05' => [400, 120]], []];
        yield 'twice as many' => [$usual + ['2026-03-05' => [45, 1]], []];
        yield 'too few days to know what is usual' => [['2026-03-01' => [5, 2], '2026-03-02' => [500, 0]], []];
        yield 'hardly anybody, and then a few' => [['2026-03-01' => [1, 1], '2026-03-02' => [1, 0], '2026-03-03' => [1, 1],
            '2026-03-04' => [30, 0]], []];
        yield 'nobody joins on any day' => [['2026-03-01' => [9, 0], '2026-03-02' => [9, 0], '2026-03-03' => [9, 0],
            '2026-03-04' => [900, 0]], []];
        yield 'no days' => [[], []];
    }

    /**
     * @param  array<string, array{int, int}>  $days
     * @param  list<string>  $found
     */
    #[DataProvider('days')]
    public function test_a_day_on_which_many_came_and_did_nothing(array $days, array $found): void
    {
        self::assertSame($found, Wave::in($days));
    }
}
