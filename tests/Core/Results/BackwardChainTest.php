<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use Lantern\Core\Plan\Success;
use Lantern\Core\Results\BackwardPlan;
use Lantern\Core\Results\PlanStep;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** By which steps people reach a goal. */
final class BackwardChainTest extends TestCase
{
    /** @return iterable<string, array{Success, array{int, int, int, int}, int|null, list<string>}> visitors, sign-ups, orders, opened */
    public static function ways(): iterable
    {
        yield 'sign-ups' => [Success::Signups, [200, 60, 5, 9], null, ['join 60/200']];
        yield 'registrations, sold or not' => [Success::Registrations, [200, 60, 5, 9], 30, ['join 60/200']];
        yield 'sales after a session' => [Success::Sales, [200, 60, 5, 9], 30, ['join 60/200', 'come 30/60', 'buy 5/30']];
        yield 'more came than registered in these days' => [Success::Sales, [200, 60, 5, 9], 80, ['join 60/200', 'come 60/60', 'buy 5/80']];
        yield 'nobody came' => [Success::Sales, [200, 60, 5, 9], 0, ['join 60/200', 'come 0/60', 'buy 0/0']];
        yield 'a session nobody registered for' => [Success::Sales, [200, 0, 5, 9], 0, ['open 9/200', 'buy 5/9']];
        yield 'sales after an address' => [Success::Sales, [200, 60, 5, 9], null, ['join 60/200', 'buy 5/60']];
        yield 'each buyer leaves an address' => [Success::Sales, [200, 5, 5, 9], null, ['open 9/200', 'buy 5/9']];
        yield 'nobody saw the checkout' => [Success::Sales, [200, 0, 5, 0], null, ['buy 5/200']];
        yield 'nothing at all' => [Success::Sales, [0, 0, 0, 0], null, ['buy 0/0']];
    }

    /**
     * @param  array{int, int, int, int}  $counts
     * @param  list<string>  $steps
     */
    #[DataProvider('ways')]
    public function test_the_steps_are_those_people_go(Success $what, array $counts, ?int $came, array $steps): void
    {
        $chain = BackwardPlan::chain($what, array_combine(['visitors', 'signups', 'orders', 'opened'], $counts), $came, ['buy' => 0.5]);
        self::assertSame($steps, array_map(fn (PlanStep $s): string => "{$s->key} {$s->rate->successes}/{$s->rate->trials}", $chain));
        foreach ($chain as $step) {
            self::assertSame($step->key === 'buy' ? 0.5 : null, $step->changed);
        }
    }
}
