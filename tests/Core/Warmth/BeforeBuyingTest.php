<?php

declare(strict_types=1);

namespace Tests\Core\Warmth;

use Lantern\Core\Warmth\Action;
use Lantern\Core\Warmth\BeforeBuying;
use Lantern\Core\Warmth\Forerunner;
use Lantern\Core\Warmth\Weights;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What the owner's own sales say: found where it is, silent where it is not, and silent while there are too few. */
final class BeforeBuyingTest extends TestCase
{
    /** @param  list<array{int, int, int|null, array<string, int>}>  $people  how many of them, and what {@see BeforeBuying::add()} takes */
    private static function of(array $people): BeforeBuying
    {
        $counted = new BeforeBuying;
        foreach ($people as [$times, $seen, $bought, $first]) {
            for ($i = 0; $i < $times; $i++) {
                $counted->add($seen, $bought, $first);
            }
        }

        return $counted;
    }

    /** @return array<string, Forerunner> by action */
    private static function found(BeforeBuying $counted): array
    {
        return array_column(array_map(fn (Forerunner $f): array => [$f->action->value, $f], $counted->all()), 1, 0);
    }

    public function test_on_one_day_it_is_what_a_table_of_four_says(): void
    {
        // 40 of 100 who clicked bought on day 5, and 10 of 100 who did not.
        $found = self::found(self::of([[40, 5, 5, ['clicked' => 2]], [60, 5, null, ['clicked' => 2]], [10, 5, 5, []], [90, 5, null, []]]));
        self::assertSame(['clicked'], array_keys($found));
        $clicked = $found['clicked'];
        self::assertSame([40, 50], [$clicked->did, $clicked->buyers]);
        self::assertEqualsWithDelta(25.0, $clicked->expected, 1e-12);
        self::assertEqualsWithDelta(40 * 90 / (60 * 10), $clicked->times, 1e-12, 'the odds of the table');
        // (40 - 25 - 0.5) / sqrt(50 · 150 · 100 · 100 / (200² · 199)) = 4.724; twice the tail beyond it is 2.31e-6.
        self::assertEqualsWithDelta(1 - 2.31e-6, $clicked->sure, 2e-8);
        self::assertTrue($clicked->says());
        self::assertSame((int) round(10 * log(6, 2)), $clicked->points());
    }

    public function test_several_days_are_added_up_each_with_those_who_were_there(): void
    {
        // On day 3: 20 of 60 who did it, 10 of 60 who did not; on day 9, of the 90 that are left, 20 of 40 and 10 of 50.
        $found = self::found(self::of([[20, 20, 3, ['opened' => 0]], [10, 20, 3, []], [20, 20, 9, ['opened' => 1]], [10, 20, 9, []],
            [20, 20, null, ['opened' => 1]], [40, 20, null, []]]))['opened'];
        self::assertEqualsWithDelta(30 * 60 / 120 + 30 * 40 / 90, $found->expected, 1e-12);
        self::assertEqualsWithDelta((20 * 50 / 120 + 20 * 40 / 90) / (10 * 40 / 120 + 10 * 20 / 90), $found->times, 1e-12);
    }

    /** @return iterable<string, array{list<array{int, int, int|null, array<string, int>}>}> */
    public static function silent(): iterable
    {
        yield 'nobody' => [[]];
        yield 'ten buyers, all of whom clicked' => [[[10, 30, 20, ['clicked' => 1]], [1000, 30, null, []]]];
        yield 'buyers on the day they joined' => [[[500, 30, 0, ['clicked' => 0]], [1000, 30, null, []]]];
        yield 'it was done on the day of the purchase alone' => [[[500, 30, 5, ['checkout' => 5]], [1000, 30, null, ['clicked' => 2]]]];
        yield 'it was done after it' => [[[500, 30, 5, ['checkout' => 6]], [1000, 30, null, []]]];
        yield 'everybody did it' => [[[500, 30, 5, ['clicked' => 1]], [1000, 30, null, ['clicked' => 1]]]];
        yield 'times that cannot be' => [[[500, 30, 31, ['clicked' => 1]], [500, -1, null, []], [500, 5, -2, []]]];
        yield 'after more than a year' => [[[500, 900, 800, ['clicked' => 1]], [1000, 900, null, []]]];
    }

    /** @param  list<array{int, int, int|null, array<string, int>}>  $people */
    #[DataProvider('silent')]
    public function test_it_is_silent_where_nothing_can_be_known(array $people): void
    {
        self::assertSame([], array_filter(self::of($people)->all(), fn (Forerunner $f): bool => $f->says()));
    }

    public function test_of_many_things_that_are_looked_at_one_may_stand_out_by_chance(): void
    {
        // By itself it is sure to 99.4 %.
        $clicked = [[34, 5, 5, ['clicked' => 1]], [66, 5, null, ['clicked' => 1]], [16, 5, 5, []], [84, 5, null, []]];
        self::assertTrue(self::found(self::of($clicked))['clicked']->says());
        // Beside two others that half of all did, be they buyers or not, it is not.
        $halves = array_merge(...array_map(fn (array $p): array => [[intdiv($p[0], 2), $p[1], $p[2], $p[3]],
            [intdiv($p[0], 2), $p[1], $p[2], $p[3] + ['opened' => 1, 'came' => 1]]], $clicked));
        $found = self::found(self::of($halves));
        self::assertCount(3, $found);
        self::assertFalse($found['clicked']->says());
        self::assertEqualsWithDelta(3 * (1 - self::found(self::of($clicked))['clicked']->sure), 1 - $found['clicked']->sure, 1e-9);
    }

    public function test_what_was_done_before_joining_counts_from_the_next_day_on(): void
    {
        $found = self::found(self::of([[40, 5, 5, ['clicked' => -30]], [60, 5, null, ['clicked' => -30]], [10, 5, 5, []],
            [90, 5, null, []]]));
        self::assertEqualsWithDelta(6.0, $found['clicked']->times, 1e-12);
    }

    public function test_where_all_buyers_did_it_the_odds_are_finite_and_the_points_bounded(): void
    {
        $clicked = self::found(self::of([[500, 9, 5, ['clicked' => 1]], [400, 9, null, ['clicked' => 1]], [9000, 9, null, []]]))['clicked'];
        self::assertTrue($clicked->says());
        self::assertLessThan(INF, $clicked->times);
        self::assertSame(Weights::MOST, (new Forerunner(Action::Clicked, 1, 1, 1, INF, 1))->points());
        self::assertSame(0, (new Forerunner(Action::Clicked, 1, 1, 1, 0.5, 1))->points(), 'what keeps from buying is worth nothing');
        self::assertSame(0, (new Forerunner(Action::Clicked, 1, 1, 1, 9, 0.98))->points(), 'what is not sure is not suggested');
    }

    /**
     * People who do things and buy at random, day by day.
     *
     * @param  array<string, float>  $times  how many times as often somebody buys from the day after they did it
     */
    private static function played(int $seed, int $people, array $times): BeforeBuying
    {
        $random = new Randomizer(new Mt19937($seed));
        $happens = fn (float $rate): bool => $random->getInt(0, 999_999) < 1_000_000 * $rate;
        $counted = new BeforeBuying;
        for ($i = 0; $i < $people; $i++) {
            $seen = $random->getInt(10, 90);
            $first = [];
            $bought = null;
            for ($day = 0; $day <= $seen && $bought === null; $day++) {
                $rate = 0.004;
                foreach ($first as $action => $on) {
                    $rate *= $on < $day ? $times[$action] ?? 1 : 1;
                }
                $bought = $happens($rate) ? $day : null;
                foreach (['opened' => 0.1, 'clicked' => 0.03, 'came' => 0.01] as $action => $often) {
                    $first += $happens($often) ? [$action => $day] : [];
                }
            }
            $counted->add($seen, $bought, $first);
        }

        return $counted;
    }

    public function test_who_had_more_time_did_more_and_that_is_no_sign(): void
    {
        $said = 0;
        for ($seed = 1; $seed <= 60; $seed++) {
            $said += count(array_filter(self::played($seed, 400, [])->all(), fn (Forerunner $f): bool => $f->says()));
        }
        self::assertLessThanOrEqual(3, $said, 'of sixty businesses of whose actions none means anything');
    }

    public function test_what_there_is_is_found_at_its_size(): void
    {
        $found = self::found(self::played(7, 4000, ['clicked' => 4.0]));
        self::assertTrue($found['clicked']->says());
        self::assertEqualsWithDelta(4.0, $found['clicked']->times, 1.0);
        self::assertFalse($found['opened']->says());
        self::assertFalse($found['came']->says());
    }
}
