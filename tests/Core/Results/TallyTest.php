<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Tally;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TallyTest extends TestCase
{
    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([1, 2, 3, 4] as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /** Whoever comes, in whatever order their days are told: the pieces of any period add up to who came in it. */
    #[DataProvider('seeds')]
    public function test_pieces_add_up_to_the_number_of_different_ones_in_any_period(int $seed): void
    {
        $dice = new Randomizer(new Mt19937($seed));
        $sums = $came = [];
        for ($i = 0; $i < 400; $i++) {
            $who = $dice->getInt(1, 40);
            $day = sprintf('2026-%02d-%02d', $dice->getInt(1, 3), $dice->getInt(1, 28));
            foreach (Tally::once(Measure::Visitors, 'p', '', $day, array_keys($came[$who] ?? [])) as $t) {
                $sums["{$t->day}|{$t->before}"] = ($sums["{$t->day}|{$t->before}"] ?? 0) + $t->count;
            }
            $came[$who][$day] = true;
        }
        self::assertSame([], array_filter($sums, fn (int $n): bool => $n < 0));
        for ($i = 0; $i < 60; $i++) {
            $ends = [sprintf('2026-%02d-%02d', $dice->getInt(1, 3), $dice->getInt(1, 28)),
                sprintf('2026-%02d-%02d', $dice->getInt(1, 3), $dice->getInt(1, 28))];
            [$from, $to] = [min($ends), max($ends)];
            $counted = 0;
            foreach ($sums as $key => $n) {
                [$day, $before] = explode('|', $key);
                $counted += $day >= $from && $day <= $to && $before < $from ? $n : 0;
            }
            $plain = count(array_filter($came, fn (array $days): bool => array_filter(array_keys($days),
                fn (string $d): bool => $d >= $from && $d <= $to) !== []));
            self::assertSame($plain, $counted, "{$from} to {$to}");
        }
    }

    public function test_a_day_that_is_counted_already_adds_nothing(): void
    {
        self::assertSame([], Tally::once(Measure::Visitors, 'p', '', '2026-03-29', ['2026-03-29']));
    }

    /** @return iterable<string, array{list<int>, int|null}> */
    public static function times(): iterable
    {
        yield 'none' => [[], null];
        yield 'one' => [[40], 40];
        yield 'somebody had tea: the mean would say four minutes' => [[30, 30, 30, 30, 1200], 63];
        yield 'at once' => [[0, 0], 1];
    }

    /** @param  list<int>  $seconds */
    #[DataProvider('times')]
    public function test_the_typical_time(array $seconds, ?int $typical): void
    {
        self::assertSame($typical, Tally::seconds(array_sum(array_map(Tally::ofSeconds(...), $seconds)), count($seconds)));
    }

    public function test_what_is_taken_away_is_what_was_added(): void
    {
        $t = (new Tally(Measure::Paid, 'p', 'first:x', '2026-01-01', '', 'EUR', 1, 29_000))->taken();
        self::assertSame([-1, -29_000, 'p', 'first:x', 'EUR'], [$t->count, $t->amount, $t->page, $t->slice, $t->currency]);
    }
}
