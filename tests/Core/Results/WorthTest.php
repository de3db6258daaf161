<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use Lantern\Core\Plan\PageRole;
use Lantern\Core\Results\StepKind;
use Lantern\Core\Results\Worth;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What taking a step brings, by hand; and which step a page asks for. */
final class WorthTest extends TestCase
{
    /** @return iterable<string, array{array{int, int, int, int, int, int}, float, float}> */
    public static function pages(): iterable
    {
        yield 'nobody went on' => [[0, 5, 100, 5, 1, 100], 0.0, 0.0];
        yield 'all join, and a tenth of them buys by email later' => [[40, 40, 0, 40, 4, 40_000], 1.0, 1000.0];
        yield 'half buy, nobody joins' => [[10, 0, 50_000, 0, 5, 50_000], 0.0, 5000.0];
        yield 'more orders than went on from here: one order at most' => [[2, 0, 50_000, 0, 5, 50_000], 0.0, 10_000.0];
        yield 'more sign-ups than went on from here: one at most' => [[10, 30, 0, 30, 3, 9000], 1.0, 300.0];
        yield 'half join; what follows later is more than what is paid here' => [[10, 5, 1000, 50, 10, 100_000], 0.5, 1000.0];
        yield 'more went back than came in' => [[10, 5, -500, 5, 1, -500], 0.5, 0.0];
        yield 'nothing is sold' => [[10, 5, 0, 5, 0, 0], 0.5, 0.0];
    }

    /** @param  array{int, int, int, int, int, int}  $counts */
    #[DataProvider('pages')]
    public function test_what_one_who_goes_on_brings(array $counts, float $signups, float $money): void
    {
        $worth = Worth::ofPage(...$counts);
        self::assertEqualsWithDelta([$signups, $money], [$worth->signups, $worth->money], 1e-9);
    }

    public function test_what_comes_in_is_shared_among_those_who_took_the_step(): void
    {
        $cases = [[[10, 5, 50_000], 5000.0], [[2, 5, 50_000], 10_000.0], [[0, 5, 50_000], 0.0], [[10, 0, 0], 0.0], [[10, 5, -100], 0.0]];
        foreach ($cases as [$counts, $money]) {
            self::assertEqualsWithDelta($money, Worth::shared(...$counts)->money, 1e-9, implode(' ', $counts));
        }
    }

    public function test_each_role_asks_for_one_thing_or_for_none(): void
    {
        $asks = [];
        foreach (PageRole::ofPages() as $role) {
            $asks[StepKind::of($role, false)->value ?? ''][] = $role;
        }
        self::assertEqualsCanonicalizing([PageRole::OptIn, PageRole::Registration, PageRole::Form], $asks['join']);
        self::assertSame([PageRole::Checkout], $asks['pay']);
        self::assertEqualsCanonicalizing([PageRole::Sales, PageRole::Lesson, PageRole::Replay], $asks['go-on']);
        self::assertContains(PageRole::ThankYou, $asks['']);
        self::assertSame([StepKind::Pay, StepKind::Join], [StepKind::of(PageRole::Sales, true), StepKind::of(PageRole::OptIn, true)]);
    }
}
