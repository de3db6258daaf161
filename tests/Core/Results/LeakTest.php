<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use DateTimeImmutable;
use Lantern\Core\Results\BackwardPlan;
use Lantern\Core\Results\Cost;
use Lantern\Core\Results\Leak;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\PlanStep;
use Lantern\Core\Results\Rate;
use Lantern\Core\Results\Step;
use Lantern\Core\Results\StepKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Leaks, plans from a goal backward, and costs, worked out by hand. */
final class LeakTest extends TestCase
{
    private static function join(int $could, int $did, ?Rate $past = null, ?Rate $other = null, float $money = 0.0): Step
    {
        return new Step(StepKind::Join, 'p', 'Opt-in page', $could, $did, 1.0, $money, $past, $other, 'Elsewhere');
    }

    public function test_what_a_month_would_bring_more(): void
    {
        // 200 visitors in 15 days are 400 a month; 20 of a hundred join, usual are 35: 60 more, each worth 5.
        $leak = Leak::of(self::join(200, 40, money: 500.0), 15) ?? self::fail('It leaks.');
        self::assertEqualsWithDelta([0.35, 60.0, 60.0, 30_000.0], [$leak->reference, $leak->people[1], $leak->signups[1],
            $leak->money[1]], 1e-9);
        // Wilson's interval of 40 of 200 is 15.06 to 26.08 of a hundred.
        self::assertEqualsWithDelta([400 * (0.35 - 0.2608), 400 * (0.35 - 0.1506)], [$leak->people[0], $leak->people[2]], 0.1);
        self::assertFalse($leak->isUnsure());
        self::assertSame('usual', $leak->from);
    }

    /** @return iterable<string, array{Step, string|null}> whose reference it is held against; nothing where it leaks nothing */
    public static function steps(): iterable
    {
        yield 'as good as usual' => [self::join(200, 70), null];
        yield 'better' => [self::join(200, 120), null];
        yield 'too few to say' => [self::join(29, 1), null];
        yield 'enough' => [self::join(30, 1), 'usual'];
        yield 'nobody' => [self::join(0, 0), null];
        yield 'more did it than came' => [self::join(40, 50), null];
        yield 'better before' => [self::join(200, 80, Rate::of(100, 200)), 'past'];
        yield 'better before, but hardly anybody came then' => [self::join(200, 80, Rate::of(50, 99)), null];
        yield 'better elsewhere' => [self::join(200, 80, Rate::of(90, 200), Rate::of(120, 200)), 'other'];
        yield 'worse before' => [self::join(200, 40, Rate::of(20, 200)), 'usual'];
        yield 'nothing to hold it against' => [new Step(StepKind::GoOn, 'p', 'Sales page', 500, 5, 0.0, 0.0), null];
        yield 'its own past alone' => [new Step(StepKind::GoOn, 'p', 'Sales page', 500, 5, 0.0, 0.0, Rate::of(50, 500)), 'past'];
    }

    #[DataProvider('steps')]
    public function test_what_a_step_is_held_against(Step $step, ?string $from): void
    {
        self::assertSame($from, Leak::of($step, 28)?->from);
    }

    public function test_the_worst_comes_first_by_money_and_one_that_may_be_none_says_so(): void
    {
        $money = new Step(StepKind::Pay, 'c', 'Checkout page', 60, 18, 0.0, 25_000.0);
        $people = self::join(1000, 200);
        self::assertSame(['c', 'p'], array_map(fn (Leak $l): string => $l->step->page, Leak::all([$people, $money], 30)));
        self::assertTrue((Leak::of(self::join(40, 12), 28) ?? self::fail('It leaks.'))->isUnsure());
        self::assertNull(Leak::of(self::join(200, 10), 0), 'of no days nothing is said');
    }

    /** @return list<PlanStep> */
    private static function way(?float $join = null, ?float $buy = null): array
    {
        return [new PlanStep('join', 'join', Rate::of(300, 1000), $join), new PlanStep('buy', 'buy', Rate::of(30, 300), $buy)];
    }

    public function test_from_twenty_places_backward(): void
    {
        $visitors = (new BackwardPlan(self::way(), 20))->visitors();
        // Three of a hundred visitors buy: 20 take 667. Wilson's interval of 30 of 1000 is 2.11 to 4.25 of a hundred.
        self::assertSame([471, 667, 949], $visitors);
        self::assertSame(334, (new BackwardPlan(self::way(0.6), 20))->visitors()[1] ?? 0);
        self::assertSame(1334, (new BackwardPlan(self::way(buy: 0.05), 20))->visitors()[1] ?? 0);
        self::assertSame(334, (new BackwardPlan(self::way(), 20))->without(10)->visitors()[1] ?? 0);
        self::assertNull((new BackwardPlan(self::way(), 20))->without(25)->visitors(), 'nothing is left to do');
    }

    public function test_what_is_not_known_is_not_made_up(): void
    {
        $none = [new PlanStep('join', 'join', Rate::of(0, 0)), new PlanStep('buy', 'buy', Rate::of(0, 0))];
        self::assertNull((new BackwardPlan($none, 20))->visitors());
        self::assertNull((new BackwardPlan([], 20))->visitors());
        self::assertNull((new BackwardPlan([new PlanStep('buy', 'buy', Rate::of(0, 500))], 20))->visitors());
        $said = [new PlanStep('join', 'join', Rate::of(0, 0), 0.3), new PlanStep('buy', 'buy', Rate::of(0, 0), 0.1)];
        self::assertSame([667, 667, null], (new BackwardPlan($said, 20))->visitors(),
            'of rates that are only wished for no range is known');
    }

    public function test_weeks_until_a_day(): void
    {
        self::assertEqualsWithDelta(2.0, BackwardPlan::weeks(new DateTimeImmutable('2026-03-23 12:00 UTC'),
            new DateTimeImmutable('2026-04-06 12:00 UTC')), 1e-9);
        self::assertEqualsWithDelta(1 / 7, BackwardPlan::weeks(new DateTimeImmutable('2026-03-23'), new DateTimeImmutable('2026-03-01')),
            1e-9);
    }

    public function test_what_each_cost(): void
    {
        $cost = new Cost(10_000, 400, 80, 3, 87_000);
        self::assertSame([25, 125, 3333, 1088, 77_000], [$cost->perVisitor(), $cost->perLead(), $cost->perCustomer(),
            $cost->revenuePerLead(), $cost->profit()]);
        self::assertSame(8.7, $cost->timesBack());
        $unknown = new Cost(null, 400, 80, 3, 87_000);
        self::assertSame([null, null, null, null, null, 1088], [$unknown->perVisitor(), $unknown->perLead(), $unknown->perCustomer(),
            $unknown->timesBack(), $unknown->profit(), $unknown->revenuePerLead()]);
        $nobody = new Cost(10_000, 0, 0, 0, 0);
        self::assertSame([null, null, null, null, 0.0], [$nobody->perVisitor(), $nobody->perLead(), $nobody->perCustomer(),
            $nobody->revenuePerLead(), $nobody->timesBack()]);
        self::assertNull((new Cost(0, 1, 1, 1, 5))->timesBack(), 'nothing was spent: it came back no times');
    }

    /** @return iterable<string, array{string, string, int}> what of 700 over a week falls into the days */
    public static function spread(): iterable
    {
        yield 'all of it' => ['2026-03-01', '2026-04-30', 700];
        yield 'two days of it' => ['2026-03-25', '2026-03-26', 200];
        yield 'its last day' => ['2026-03-30', '2026-05-01', 100];
        yield 'none' => ['2026-04-01', '2026-05-01', 0];
    }

    #[DataProvider('spread')]
    public function test_what_was_spent_is_spread_over_its_days_also_where_the_clocks_change(string $from, string $to, int $amount): void
    {
        self::assertSame($amount, Cost::within(700, Period::between('2026-03-24', '2026-03-30'), Period::between($from, $to)));
    }

    public function test_the_day_on_which_it_is_even(): void
    {
        $days = ['2026-03-01' => 4000, '2026-03-02' => -1000, '2026-03-05' => 7000, '2026-03-09' => 50];
        self::assertSame('2026-03-05', Cost::breakEven(10_000, $days));
        self::assertSame('2026-03-09', Cost::breakEven(10_001, $days));
        self::assertNull(Cost::breakEven(10_051, $days));
        self::assertNull(Cost::breakEven(null, $days));
        self::assertNull(Cost::breakEven(0, $days));
    }
}
