<?php

declare(strict_types=1);

namespace Tests\Core\Forecast;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Forecast\Arrivals;
use Lantern\Core\Forecast\Belief;
use Lantern\Core\Forecast\Forecast;
use Lantern\Core\Forecast\MadeUpLife;
use Lantern\Core\Forecast\Measured;
use Lantern\Core\Forecast\PlayedLife;
use Lantern\Core\Forecast\Rates;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Rehearsal\Stage;
use Lantern\Core\Statistics\Dice;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** Forecasts, held against what can be worked out by hand. */
final class ForecastTest extends TestCase
{
    private const DAYS = 56;

    /**
     * @param  array<string, Belief>  $known
     * @param  list<int>|null  $days  who came on each day of eight weeks
     */
    private static function forecast(Plan $plan, array $known, ?array $days = null, int $lives = 1680): Forecast
    {
        $zone = new DateTimeZone('Europe/Berlin');
        // The clocks go forward and nothing is lost by it.
        $begins = new DateTimeImmutable('2027-03-15', $zone);
        $dice = new Dice(7);
        $rates = new Rates($known);
        $made = new MadeUpLife(new Rehearsal(new Stage($plan, $zone, TaxRate::of(0))), $rates, $dice, $begins,
            $begins->modify('+8 weeks'));
        $played = array_map(function (int $i) use ($made, $begins): PlayedLife {
            $day = $i % 84 - 28;

            return $made->play(new Visitor(zone: 'Europe/Oslo'), $begins->modify("{$day} days")->modify('+12 hours'), '', $day, 0);
        }, range(0, $lives - 1));

        return Forecast::of($played, [new Arrivals($days ?? array_fill(0, self::DAYS, 20))], $rates, $dice, 8);
    }

    /** A rate that is known well. */
    private static function sure(float $rate, int $of = 1_000_000): Belief
    {
        return new Belief((int) round($rate * $of), $of, 0.5);
    }

    public function test_where_the_rates_are_known_the_middle_is_their_product_and_the_range_is_chance(): void
    {
        $plan = Plans::of(Goal::GiveAway);
        $forecast = self::forecast($plan, [Rates::page($plan->pages[0]->id) => self::sure(0.3)]);
        // 20 a day for 56 days, of whom 30 in a hundred join: 336, give or take 1.28 times its root. The lives themselves are drawn, too.
        [$low, $middle, $high] = $forecast->all['signups'];
        self::assertEqualsWithDelta(336, $middle, 30);
        self::assertEqualsWithDelta(2 * 1.2816 * sqrt(336), $high - $low, 14);
        self::assertSame([0, 0, 0], $forecast->all['sales']);
        self::assertCount(8, $forecast->weeks['signups']);
        self::assertCount(self::DAYS, $forecast->days['emails']);
        foreach ($forecast->weeks['signups'] as [$l, $m, $h]) {
            self::assertTrue($l <= $m && $m <= $h);
            self::assertEqualsWithDelta(42, $m, 14);
        }
    }

    public function test_what_is_less_certain_has_a_wider_range_and_nothing_is_certain_where_nobody_came(): void
    {
        $plan = Plans::of(Goal::GiveAway);
        $page = Rates::page($plan->pages[0]->id);
        $wide = fn (Forecast $f): int => $f->all['signups'][2] - $f->all['signups'][0];
        $sure = self::forecast($plan, [$page => self::sure(0.3)], lives: 840);
        $few = self::forecast($plan, [$page => new Belief(12, 40, 0.35)], lives: 840);
        self::assertGreaterThan(2 * $wide($sure), $wide($few));
        self::assertEqualsWithDelta($sure->all['signups'][1], $few->all['signups'][1], 90);
        $nobody = self::forecast($plan, [$page => self::sure(0.3)], array_fill(0, self::DAYS, 0), 84);
        self::assertSame(['signups' => [0, 0, 0], 'sales' => [0, 0, 0], 'money' => [0, 0, 0], 'emails' => [0, 0, 0]], $nobody->all);
        self::assertSame(Forecast::of([], [new Arrivals([])], new Rates, new Dice(1), 8)->all, $nobody->all);
    }

    public function test_sales_and_money_follow_the_way_to_the_checkout(): void
    {
        $plan = Plans::of(Goal::Sell);
        $known = [];
        foreach ($plan->pages as $page) {
            $known[Rates::page($page->id)] = self::sure(match ($page->role->value) {
                'sales' => 0.5,
                'checkout' => 0.4,
                default => 0.001,
            });
        }
        $forecast = self::forecast($plan, $known);
        // 1,120 come, half go on, 40 in a hundred pay 290.
        self::assertEqualsWithDelta(224, $forecast->all['sales'][1], 30);
        self::assertEqualsWithDelta(224 * 29_000, $forecast->all['money'][1], 30 * 29_000);
        self::assertSame(0, $forecast->all['signups'][1]);
    }

    public function test_people_come_on_their_weekdays(): void
    {
        $plan = Plans::of(Goal::GiveAway);
        // Only on the first day of each week.
        $days = array_map(fn (int $d): int => $d % 7 === 0 ? 140 : 0, range(0, self::DAYS - 1));
        $forecast = self::forecast($plan, [Rates::page($plan->pages[0]->id) => self::sure(0.3)], $days);
        foreach ($forecast->days['signups'] as $day => [, $middle]) {
            self::assertSame($day % 7 === 0, $middle > 20, "day {$day}");
        }
    }

    public function test_the_same_seed_gives_the_same(): void
    {
        $plan = Plans::of(Goal::GiveAway);
        $known = [Rates::page($plan->pages[0]->id) => new Belief(30, 100, 0.35)];
        self::assertEquals(self::forecast($plan, $known, lives: 168), self::forecast($plan, $known, lives: 168));
    }

    public function test_beliefs_and_dice(): void
    {
        $dice = new Dice(3);
        $mean = fn (callable $draw): float => array_sum(array_map(fn (int $ignored): float => $draw(), range(1, 4000))) / 4000;
        self::assertEqualsWithDelta(0, $mean($dice->normal(...)), 0.06);
        foreach ([0.3, 1.0, 7.5] as $shape) {
            self::assertEqualsWithDelta($shape, $mean(fn (): float => $dice->gamma($shape)), 0.12 * max(1, sqrt($shape)));
        }
        self::assertEqualsWithDelta(0.25, $mean(fn (): float => $dice->beta(2, 6)), 0.01);
        self::assertEqualsWithDelta(0.2, (new Belief(0, 0, 0.2))->mean, 1e-9);
        self::assertEqualsWithDelta((20 + 1.6) / 108, (new Belief(20, 100, 0.2))->mean, 1e-9);
        self::assertSame([0.001, 0.999], [(new Belief(0, 100_000_000, 0.2))->mean, (new Belief(900, 100, 0.2, 0.0001))->mean]);
        $belief = new Belief(30, 100, 0.3);
        self::assertEqualsWithDelta($belief->mean, $mean(fn (): float => $belief->draw($dice)), 0.005);
        self::assertSame(0, (new Arrivals([1, 2, 3]))->ago(4));
        self::assertSame(3, (new Arrivals([1, 2, 3]))->ago(1));
        self::assertSame(['signups', 'sales', 'money', 'emails'], array_column(Measured::cases(), 'value'));
    }
}
