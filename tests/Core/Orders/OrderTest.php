<?php

declare(strict_types=1);

namespace Tests\Core\Orders;

use DateTimeImmutable;
use Lantern\Core\Money\Currency;
use Lantern\Core\Orders\Fact;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Orders\OrderSums;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\RefundShares;
use Lantern\Core\Orders\Retries;
use Lantern\Core\Orders\ShownPrice;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** State and sums of an order follow from its facts; which state follows which is a table. */
final class OrderTest extends TestCase
{
    /** @return iterable<string, array{list<Fact>, OrderState, array{int, int, int}}> state; paid, refunded, refundable */
    public static function orders(): iterable
    {
        $placed = new Fact(FactType::Placed, amount: 300);
        $asked = fn (string $key, int $amount = 300): Fact => new Fact(FactType::PaymentAsked, $key, amount: $amount);
        $paid = fn (string $key, int $amount = 300): Fact => new Fact(FactType::Paid, $key, amount: $amount);
        $failed = fn (string $key): Fact => new Fact(FactType::PaymentFailed, $key, amount: 300);
        $bank = fn (string $key): Fact => new Fact(FactType::PaymentAtBank, $key, amount: 300);
        $refund = fn (FactType $t, string $key, int $amount): Fact => new Fact($t, 'a', $key, $amount, [1 => $amount]);
        yield 'placed' => [[$placed], OrderState::Open, [0, 0, 0]];
        yield 'free' => [[new Fact(FactType::Placed)], OrderState::Paid, [0, 0, 0]];
        yield 'asked for' => [[$placed, $asked('a')], OrderState::Open, [0, 0, 0]];
        yield 'at the bank' => [[$placed, $asked('a'), $bank('a')], OrderState::Waiting, [0, 0, 0]];
        yield 'failed' => [[$placed, $asked('a'), $failed('a')], OrderState::Failed, [0, 0, 0]];
        yield 'another try' => [[$placed, $asked('a'), $failed('a'), $asked('b')], OrderState::Open, [0, 0, 0]];
        yield 'paid at the second' => [[$placed, $asked('a'), $failed('a'), $asked('b'), $paid('b')], OrderState::Paid, [300, 0, 300]];
        yield 'told twice' => [[$placed, $asked('a'), $paid('a'), $paid('a')], OrderState::Paid, [300, 0, 300]];
        yield 'told out of order' => [[$placed, $paid('a'), $asked('a')], OrderState::Paid, [300, 0, 300]];
        yield 'given up, and paid after all' => [[$placed, $asked('a'), $failed('a'), $paid('a')], OrderState::Paid, [300, 0, 300]];
        yield 'an extra offer failed' => [[$placed, $paid('a'), $asked('x', 50), $failed('x')], OrderState::Paid, [300, 0, 300]];
        yield 'an extra offer too' => [[$placed, $paid('a'), $asked('x', 50), $paid('x', 50)], OrderState::Paid, [350, 0, 350]];
        yield 'refund asked for' => [[$placed, $paid('a'), $refund(FactType::RefundAsked, 'r', 100)], OrderState::Paid, [300, 0, 200]];
        yield 'refund failed' => [[$placed, $paid('a'), $refund(FactType::RefundAsked, 'r', 100),
            $refund(FactType::RefundFailed, 'r', 100)], OrderState::Paid, [300, 0, 300]];
        yield 'a part back' => [[$placed, $paid('a'), $refund(FactType::RefundAsked, 'r', 100), $refund(FactType::Refunded, 'r', 100)],
            OrderState::PartRefunded, [300, 100, 200]];
        yield 'all back, told twice' => [[$placed, $paid('a'), $refund(FactType::Refunded, 'r', 100), $refund(FactType::Refunded, 's', 200),
            $refund(FactType::Refunded, 's', 200)], OrderState::Refunded, [300, 300, 0]];
        yield 'disputed' => [[$placed, $paid('a'), new Fact(FactType::Disputed, 'a', amount: 300)], OrderState::Disputed, [300, 0, 0]];
        yield 'the dispute is over' => [[$placed, $paid('a'), new Fact(FactType::Disputed, 'a', amount: 300),
            new Fact(FactType::DisputeEnded, 'a')], OrderState::Paid, [300, 0, 300]];
        yield 'a plan goes on after a refund' => [[$placed, $paid('a', 100), $refund(FactType::Refunded, 'r', 100), $paid('b', 100)],
            OrderState::PartRefunded, [200, 100, 100]];
    }

    /**
     * @param  list<Fact>  $facts
     * @param  array{int, int, int}  $sums
     */
    #[DataProvider('orders')]
    public function test_what_the_facts_come_to(array $facts, OrderState $state, array $sums): void
    {
        $read = OrderSums::of($facts);

        self::assertSame($state, $read->state);
        self::assertSame($sums, [$read->paid, $read->refunded, $read->refundable()]);
    }

    /** @param  list<Fact>  $facts */
    #[DataProvider('orders')]
    public function test_each_fact_leads_to_a_state_that_may_follow(array $facts): void
    {
        $state = OrderState::Open;
        foreach (array_keys($facts) as $n) {
            $next = OrderSums::of(array_slice($facts, 0, $n + 1))->state;
            self::assertTrue($n === 0 || $state->mayBecome($next), "{$state->value} to {$next->value}");
            $state = $next;
        }
    }

    public function test_the_table_of_states(): void
    {
        $table = fn (array $cases): array => array_column(array_map(fn ($s): array => [$s->value,
            implode(' ', array_map(fn ($n): string => $n->value, $s->next()))], $cases), 1, 0);

        self::assertSame(['open' => 'waiting paid failed', 'waiting' => 'open paid failed', 'paid' => 'part-refunded refunded disputed',
            'part-refunded' => 'paid refunded disputed', 'refunded' => 'part-refunded paid disputed', 'failed' => 'open waiting paid',
            'disputed' => 'paid part-refunded refunded'], $table(OrderState::cases()));
        self::assertSame(['due' => 'asked cancelled', 'asked' => 'bank paid failed', 'bank' => 'paid failed', 'paid' => 'disputed',
            'failed' => 'paid', 'cancelled' => '', 'disputed' => 'paid'], $table(PaymentState::cases()));
        foreach ([...OrderState::cases(), ...PaymentState::cases()] as $state) {
            self::assertNotSame('', $state->label());
        }
    }

    public function test_a_payment_that_failed_is_tried_again_after_one_three_and_seven_days(): void
    {
        $first = new DateTimeImmutable('2027-03-27T12:00:00Z');
        $days = fn (int $failed): ?string => Retries::next($failed, $first)?->format('Y-m-d\TH:i\Z');

        self::assertSame(['2027-03-28T12:00Z', '2027-03-30T12:00Z', '2027-04-03T12:00Z', null], array_map($days, [1, 2, 3, 4]));
    }

    /** @return iterable<string, array{int, int, string, bool}> */
    public static function shownPrices(): iterable
    {
        yield 'lower, a minute ago' => [100, 200, '-1 minute', true];
        yield 'lower, an hour ago' => [100, 200, '-1 hour', true];
        yield 'lower, longer ago' => [100, 200, '-3601 seconds', false];
        yield 'higher' => [300, 200, '-1 minute', false];
        yield 'the same' => [200, 200, '-1 minute', false];
        yield 'from a clock that was set back' => [100, 200, '+1 minute', false];
    }

    #[DataProvider('shownPrices')]
    public function test_who_gets_the_price_they_saw(int $shown, int $today, string $at, bool $holds): void
    {
        $now = new DateTimeImmutable('2027-01-01T12:00:00Z');

        self::assertSame($holds, ShownPrice::holds($shown, $today, $now->modify($at), $now));
    }

    /** @return iterable<string, array{array<int, int>, list<int>, int|null, array<int, int>|null}> */
    public static function refunds(): iterable
    {
        yield 'all' => [[1 => 190, 2 => 25], [], null, [1 => 190, 2 => 25]];
        yield 'one line' => [[1 => 190, 2 => 25], [2], null, [2 => 25]];
        yield 'an amount of one line' => [[1 => 190, 2 => 25], [1], 40, [1 => 40]];
        yield 'an amount over both' => [[1 => 190, 2 => 25], [], 43, [1 => 38, 2 => 5]];
        yield 'one unit' => [[1 => 190, 2 => 25], [], 1, [1 => 1]];
        yield 'a line that is gone' => [[1 => 190], [2], null, null];
        yield 'more than is left' => [[1 => 190], [], 191, null];
        yield 'nothing' => [[1 => 190], [], 0, null];
        yield 'below nothing' => [[1 => 190], [], -5, null];
        yield 'nothing left' => [[1 => 0], [], null, null];
    }

    /**
     * @param  array<int, int>  $left
     * @param  list<int>  $lines
     * @param  array<int, int>|null  $shares
     */
    #[DataProvider('refunds')]
    public function test_a_refund_falls_on_lines_to_the_last_unit(array $left, array $lines, ?int $amount, ?array $shares): void
    {
        try {
            self::assertSame($shares, RefundShares::byLine($left, $lines, $amount, Currency::of('EUR')));
        } catch (Invalid) {
            self::assertNull($shares);
        }
    }

    public function test_a_refund_comes_out_of_what_was_paid_for_its_lines_the_last_payment_first(): void
    {
        $plan = ['a' => [1 => 99, 2 => 25], 'b' => [1 => 99], 'extra' => [3 => 60]];

        self::assertSame(['b' => [1 => 99], 'a' => [1 => 1]], RefundShares::byPayment($plan, [1 => 100]));
        self::assertSame(['a' => [2 => 25]], RefundShares::byPayment($plan, [2 => 25]), 'not out of a payment for something else');
        self::assertSame(['b' => [1 => 5], 'extra' => [3 => 60]], RefundShares::byPayment($plan, [1 => 5, 3 => 60]));
        $this->expectException(Invalid::class);
        RefundShares::byPayment($plan, [3 => 61]);
    }
}
