<?php

declare(strict_types=1);

namespace Tests\Core\Experiments;

use InvalidArgumentException;
use Lantern\Core\Experiments\Answer;
use Lantern\Core\Experiments\Arm;
use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Experiments\Evidence;
use Lantern\Core\Experiments\Purchases;
use Lantern\Core\Experiments\SampleRatio;
use Lantern\Core\Experiments\StoppingRule;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Verdict;
use Lantern\Core\Statistics\Gamma;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AnswerTest extends TestCase
{
    private const TESTS = 1000;

    /**
     * So many tests, each looked at thirty times: how many name a winner, and how many of those the wrong one.
     *
     * @param  list<float>  $rates
     * @return array{float, float}
     */
    private static function called(array $rates, float $expected, int $visitors, int $tests = self::TESTS): array
    {
        mt_srand(23);
        $enough = log((count($rates) - 1) / StoppingRule::MISTAKEN);
        $called = $wrong = 0;
        $right = array_search(max($rates), $rates, true);
        for ($t = 0; $t < $tests; $t++) {
            $counts = array_fill(0, count($rates), [0, 0]);
            for ($look = 1; $look <= 30; $look++) {
                for ($n = intdiv($visitors, 30); $n > 0; $n--) {
                    $v = mt_rand(0, count($rates) - 1);
                    // The rate goes up and down through the week, for all variants alike.
                    $rate = $rates[$v] * ($look % 7 < 2 ? 1.3 : 0.88);
                    $counts[$v][self::chance() < $rate ? 1 : 0]++;
                }
                foreach ($counts as $i => $one) {
                    $beaten = true;
                    foreach ($counts as $j => $other) {
                        $beaten = $beaten && ($i === $j || ($one[1] / max(1, array_sum($one)) > $other[1] / max(1, array_sum($other))
                            && Evidence::ofCounts(1, $one[1], $one[0], 1, $other[1], $other[0], $expected) >= $enough));
                    }
                    if ($beaten) {
                        $called++;
                        $wrong += $i === $right ? 0 : 1;

                        continue 3;
                    }
                }
            }
        }

        return [$called / $tests, $wrong / $tests];
    }

    /** @return iterable<string, array{list<float>, float}> */
    public static function withoutDifference(): iterable
    {
        yield 'a plain opt-in page' => [[0.35, 0.35], 0.35];
        yield 'something else was expected' => [[0.35, 0.35], 0.1];
        yield 'a sales page' => [[0.03, 0.03], 0.03];
        yield 'three variants' => [[0.3, 0.3, 0.3], 0.3];
    }

    /** @param  list<float>  $rates */
    #[DataProvider('withoutDifference')]
    public function test_without_a_difference_a_winner_is_named_no_more_often_than_stated(array $rates, float $expected): void
    {
        // Three standard deviations of the simulation itself.
        $most = StoppingRule::MISTAKEN + 3 * sqrt(StoppingRule::MISTAKEN * (1 - StoppingRule::MISTAKEN) / self::TESTS);
        self::assertLessThan($most, self::called($rates, $expected, 1500)[0]);
    }

    /** @return iterable<string, array{float, float}> */
    public static function withDifference(): iterable
    {
        yield 'an opt-in page, 35 and 42 of a hundred' => [0.35, 0.42];
        yield 'a sales page, 30 and 45 of a thousand' => [0.03, 0.045];
    }

    #[DataProvider('withDifference')]
    public function test_with_a_real_one_it_is_found_as_often_as_promised(float $rate, float $better): void
    {
        [$called, $wrong] = self::called([$rate, $better], $rate, Answer::visitorsToFind($rate, $better / $rate), 200);
        self::assertGreaterThan(0.74, $called);
        self::assertLessThan(0.01, $wrong);
    }

    /** @return list<Arm> */
    private static function arms(array ...$counts): array
    {
        return array_map(fn (array $c, int $i): Arm => new Arm(chr(97 + $i), $c[2] ?? 1, $c[1], $c[0]), $counts, array_keys($counts));
    }

    /** @return iterable<string, array{list<Arm>, int, Verdict}> */
    public static function verdicts(): iterable
    {
        yield 'nobody' => [self::arms([0, 0], [0, 0]), 9, Verdict::Empty];
        yield 'ten visitors, five and none' => [self::arms([5, 5], [0, 5]), 30, Verdict::TooEarly];
        yield 'clear, but not a week old' => [self::arms([100, 500], [250, 500]), 6, Verdict::TooEarly];
        yield 'clear' => [self::arms([100, 500], [250, 500]), 7, Verdict::Winner];
        yield 'clear the other way' => [self::arms([250, 500], [100, 500]), 7, Verdict::Winner];
        yield 'not yet' => [self::arms([150, 500], [170, 500]), 20, Verdict::Open];
        yield 'nearly' => [self::arms([150, 500], [195, 500]), 20, Verdict::Open];
        yield 'just so' => [self::arms([150, 500], [200, 500]), 20, Verdict::Winner];
        yield 'just so, if there were not a third' => [self::arms([150, 500], [200, 500], [150, 500]), 20, Verdict::Open];
        yield 'never' => [self::arms([150, 500], [170, 500]), 56, Verdict::Unknown];
        yield 'hardly anybody, for eight weeks' => [self::arms([1, 50], [3, 50]), 56, Verdict::Unknown];
        yield 'the same' => [self::arms([60_000, 200_000], [60_050, 200_000]), 20, Verdict::Same];
        yield 'three, two of them alike' => [self::arms([100, 500], [250, 500], [251, 500]), 20, Verdict::Open];
        yield 'too many in one' => [self::arms([150, 500], [300, 700]), 20, Verdict::Spoiled];
        yield 'as the weights say' => [self::arms([150, 500, 5], [330, 700, 7]), 20, Verdict::Winner];
        yield 'visitors where none belong' => [self::arms([150, 500], [5, 20, 0]), 20, Verdict::Spoiled];
        yield 'one variant alone' => [self::arms([150, 500]), 20, Verdict::Empty];
    }

    /** @param  non-empty-list<Arm>  $arms */
    #[DataProvider('verdicts')]
    public function test_what_can_be_said(array $arms, int $days, Verdict $verdict): void
    {
        self::assertSame($verdict, Answer::of(TestGoal::Signup, new StoppingRule(0.3), $arms, $days)->verdict);
    }

    /** What makes it hold however often one looks: without a difference it is one on average, for any weights and any rate. */
    public function test_the_evidence_is_one_on_average_without_a_difference(): void
    {
        $ways = fn (int $of, int $k): float => exp(Gamma::log($of + 1) - Gamma::log($k + 1) - Gamma::log($of - $k + 1));
        foreach ([[1, 1, 0.3], [3, 7, 0.4], [9, 1, 0.02]] as [$weight, $other, $expected]) {
            $w = $weight / ($weight + $other);
            $sum = 0.0;
            foreach (range(0, 7) as $reached) {
                foreach (range(0, 5) as $not) {
                    $chance = $ways(7, $reached) * $w ** $reached * (1 - $w) ** (7 - $reached) * $ways(5, $not) * $w ** $not
                        * (1 - $w) ** (5 - $not);
                    $sum += $chance * exp(Evidence::ofCounts($weight, $reached, $not, $other, 7 - $reached, 5 - $not, $expected));
                }
            }
            self::assertEqualsWithDelta(1.0, $sum, 1e-9);
        }
        // Money says as much: two buyers, of whom each had the one or the other.
        $sum = 0.0;
        foreach ([[[], [50.0, 290.0]], [[50.0], [290.0]], [[290.0], [50.0]], [[50.0, 290.0], []]] as [$one, $two]) {
            $sum += 0.25 ** count($one) * 0.75 ** count($two) * exp(Evidence::ofMoney(1, $one, 3, $two, 100.0));
        }
        self::assertEqualsWithDelta(1.0, $sum, 1e-9);
    }

    public function test_where_most_do_it_those_who_do_not_say_most(): void
    {
        // 190 and 172 of 200: looked at by those who did it alone it would be next to nothing.
        self::assertEqualsWithDelta(2.503, Evidence::ofCounts(1, 190, 10, 1, 172, 28, 0.9), 0.001);
        self::assertSame(0.0, Evidence::ofCounts(0, 5, 5, 1, 5, 5, 0.3), 'of one that nobody is given nothing can be said');
        self::assertSame(0.0, Evidence::ofMoney(1, [5.0], 1, [5.0], 0.0));
    }

    public function test_how_many_more_it_takes(): void
    {
        $answer = Answer::of(TestGoal::Signup, new StoppingRule(0.35), self::arms([170, 500], [200, 500]), 10);
        self::assertNotNull($answer->needed);
        $times = 1 + $answer->needed / 1000;
        $more = fn (float $t): Answer => Answer::of(TestGoal::Signup, new StoppingRule(0.35),
            self::arms([(int) round(170 * $t), (int) round(500 * $t)], [(int) round(200 * $t), (int) round(500 * $t)]), 10);
        self::assertSame([Verdict::Open, Verdict::Winner], [$more($times * 0.97)->verdict, $more($times * 1.03)->verdict]);
        self::assertNull(Answer::of(TestGoal::Signup, new StoppingRule(0.35), self::arms([175, 500], [175, 500]), 10)->needed);
    }

    public function test_revenue_is_called_by_what_was_paid(): void
    {
        $paid = [array_fill(0, 60, 60.0), array_fill(0, 60, 290.0)];
        $arms = [new Arm('a', 1, 1000, 60, null, Purchases::of($paid[0])), new Arm('b', 1, 1000, 60, null, Purchases::of($paid[1]))];
        self::assertSame(Verdict::Winner, Answer::of(TestGoal::Revenue, new StoppingRule(0.06, 150.0), $arms, 14, $paid)->verdict);
        self::assertNotSame(Verdict::Winner, Answer::of(TestGoal::Sale, new StoppingRule(0.06), $arms, 14)->verdict);
    }

    /** @return iterable<string, array{callable(): Arm}> */
    public static function impossible(): iterable
    {
        yield 'more who reached it than came' => [fn (): Arm => new Arm('a', 1, 5, 6)];
        yield 'fewer than none' => [fn (): Arm => new Arm('a', 1, -1, 0)];
        yield 'a weight below nothing' => [fn (): Arm => new Arm('a', -1, 1, 0)];
        yield 'more settled than are left' => [fn (): Arm => new Arm('a', 1, 5, 3, 3)];
    }

    /** @param  callable(): Arm  $make */
    #[DataProvider('impossible')]
    public function test_counts_that_cannot_be_are_said_and_not_mended(callable $make): void
    {
        $this->expectException(InvalidArgumentException::class);
        $make();
    }

    public function test_visitors_fall_to_variants_by_weight_and_always_to_the_same(): void
    {
        $weights = ['a' => 50, 'b' => 30, 'c' => 20, 'd' => 0];
        $count = ['a' => 0, 'b' => 0, 'c' => 0, 'd' => 0];
        for ($i = 0; $i < 20_000; $i++) {
            $letter = Assignment::of('test', md5("v{$i}"), $weights);
            $count[$letter]++;
            self::assertSame($letter, Assignment::of('test', md5("v{$i}"), $weights));
        }
        self::assertSame(0, $count['d']);
        self::assertFalse(SampleRatio::isOff(array_map(fn (string $l): Arm => new Arm($l, $weights[$l], $count[$l], 0),
            array_keys($weights))));
        // Another test sorts the same visitors anew.
        $same = 0;
        for ($i = 0; $i < 10_000; $i++) {
            $same += Assignment::of('one', md5("v{$i}"), ['a' => 1, 'b' => 1]) === Assignment::of('two', md5("v{$i}"), ['a' => 1, 'b' => 1])
                ? 1 : 0;
        }
        self::assertEqualsWithDelta(5000, $same, 200);
        self::assertSame('a', Assignment::of('test', 'x', ['a' => 0, 'b' => 0]), 'without any weight the first');
    }

    /** Evenly between nothing and one; the same for the same seed. */
    private static function chance(): float
    {
        return mt_rand() / mt_getrandmax();
    }
}
