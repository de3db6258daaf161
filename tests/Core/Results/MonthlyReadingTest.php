<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use Lantern\Core\Results\MonthlyReading;
use Lantern\Core\Results\Period;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class MonthlyReadingTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<string>, list<string>, list<array{string, string}>, array{string, string}|null}> */
    public static function periods(): iterable
    {
        $built = ['2026-01', '2026-02', '2026-03', '2026-05'];
        yield 'whole months' => ['2026-01-01', '2026-03-31', $built, ['2026-01', '2026-02', '2026-03'], [], null];
        yield 'days at both ends' => ['2026-01-20', '2026-03-10', $built, ['2026-02'], [['2026-01-20', '2026-01-31'],
            ['2026-03-01', '2026-03-10']], ['2026-01-01', '2026-01-19']];
        yield 'a month in the middle that is not added up' => ['2026-03-01', '2026-05-31', $built, ['2026-03', '2026-05'],
            [['2026-04-01', '2026-04-30']], null];
        yield 'a part of one month' => ['2026-02-02', '2026-02-28', $built, [], [['2026-02-02', '2026-02-28']], null];
        yield 'the second day on' => ['2026-02-02', '2026-03-31', $built, ['2026-03'], [['2026-02-02', '2026-02-28']],
            ['2026-02-01', '2026-02-01']];
        yield 'all but the last day' => ['2026-02-01', '2026-03-30', $built, ['2026-02'], [['2026-03-01', '2026-03-30']], null];
        yield 'nothing is added up' => ['2026-01-01', '2026-12-31', [], [], [['2026-01-01', '2026-12-31']], null];
        yield 'a leap year' => ['2028-02-01', '2028-02-29', ['2028-02'], ['2028-02'], [], null];
    }

    /**
     * @param  list<string>  $built
     * @param  list<string>  $months
     * @param  list<array{string, string}>  $days
     * @param  array{string, string}|null  $early
     */
    #[DataProvider('periods')]
    public function test_a_period_is_read_by_months_where_it_can_be(string $from, string $to, array $built, array $months, array $days,
        ?array $early): void
    {
        $reading = MonthlyReading::of(Period::between($from, $to), $built);
        self::assertSame([$months, $days, $early, substr($from, 0, 7)], [$reading->months, $reading->days, $reading->early,
            $reading->before]);
    }

    public function test_it_counts_whoever_came_in_any_period_once(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $day = fn (int $n): string => (new \DateTimeImmutable('2026-01-01'))->modify("+{$n} days")->format('Y-m-d');
        // Each visitor's days, as pieces of the day and of the day before it on which they came.
        $pieces = $visits = [];
        for ($visitor = 0; $visitor < 60; $visitor++) {
            $days = array_unique(array_map(fn (): int => $random->getInt(0, 240), range(1, $random->getInt(1, 7))));
            sort($days);
            foreach ($days as $i => $d) {
                $pieces[] = [$day($d), $i === 0 ? '' : $day($days[$i - 1])];
                $visits[] = [$day($d), $visitor];
            }
        }
        for ($try = 0; $try < 400; $try++) {
            $from = $random->getInt(0, 240);
            $period = Period::between($day($from), $day($random->getInt($from, 240)));
            $built = array_values(array_filter(['2026-01', '2026-02', '2026-03', '2026-04', '2026-05', '2026-06', '2026-07', '2026-08'],
                fn (): bool => $random->getInt(0, 3) > 0));
            $reading = MonthlyReading::of($period, $built);
            $counted = 0;
            foreach ($pieces as [$on, $before]) {
                $month = substr($on, 0, 7);
                if (in_array($month, $reading->months, true)) {
                    // As they are added up, those of the same month are left out.
                    $counted += substr($before, 0, 7) !== $month && substr($before, 0, 7) < $reading->before ? 1 : 0;
                    $counted += $reading->early !== null && $before >= $reading->early[0] && $before <= $reading->early[1] ? 1 : 0;
                } else {
                    $read = array_filter($reading->days, fn (array $d): bool => $on >= $d[0] && $on <= $d[1]);
                    self::assertSame($on >= $period->from && $on <= $period->to ? 1 : 0, count($read), 'each day is read once');
                    $counted += $read !== [] && $before < $period->from ? 1 : 0;
                }
            }
            $within = array_filter($visits, fn (array $v): bool => $v[0] >= $period->from && $v[0] <= $period->to);
            $came = array_unique(array_column($within, 1));
            self::assertSame(count($came), $counted, "{$period->from} to {$period->to}, by ".implode(', ', $reading->months));
        }
    }
}
