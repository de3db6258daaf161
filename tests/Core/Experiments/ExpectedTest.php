<?php

declare(strict_types=1);

namespace Tests\Core\Experiments;

use Lantern\Core\Experiments\Expected;
use Lantern\Core\Experiments\TestGoal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ExpectedTest extends TestCase
{
    /** @return iterable<string, array{TestGoal, array{int, int, int, int}, float, int}> */
    public static function pages(): iterable
    {
        yield 'nobody came yet' => [TestGoal::Signup, [0, 0, 0, 0], 0.3, 10_000];
        yield 'one too few came' => [TestGoal::Signup, [49, 40, 0, 0], 0.3, 10_000];
        yield 'enough came' => [TestGoal::Signup, [50, 20, 0, 0], 0.4, 10_000];
        yield 'nobody of many reached it' => [TestGoal::Confirmation, [500, 0, 0, 0], 0.25, 10_000];
        yield 'more reached it than came there' => [TestGoal::Sale, [100, 250, 250, 5_000_000], 0.9, 20_000];
        yield 'sales without a price' => [TestGoal::Revenue, [1000, 10, 10, 0], 0.01, 10_000];
        yield 'all of it went back' => [TestGoal::Revenue, [10, 1, 1, -50], 0.02, 10_000];
    }

    /** @param  array{int, int, int, int}  $counts */
    #[DataProvider('pages')]
    public function test_what_a_page_brought_is_expected_of_it(TestGoal $goal, array $counts, float $rate, int $typical): void
    {
        $expected = Expected::of($goal, ...$counts);
        self::assertEqualsWithDelta([$rate, $typical], [$expected->rate, $expected->typical], 1e-12);
    }
}
