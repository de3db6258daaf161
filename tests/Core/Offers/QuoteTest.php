<?php

declare(strict_types=1);

namespace Tests\Core\Offers;

use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\QuoteLine;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What a purchase comes to: prices, coupon, tax and payments, to the last unit. */
final class QuoteTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function coupon(int $percent, int $off = 0, array $more = []): Coupon
    {
        return Coupon::fromShape(Shape::of(['id' => 'c', 'name' => 'C', 'code' => 'CELLO'] + $more
            + ($off > 0 ? ['off' => ['amount' => $off, 'currency' => 'EUR']] : ['percent' => $percent])));
    }

    /** @return iterable<string, array{non-empty-list<Wanted>, int, Coupon|null, array{int, int, int, int}}> */
    public static function purchases(): iterable
    {
        $bump = fn (int $amount, array $more = []): Wanted => Sale::wanted($amount, $more, 'bump', LineKind::Bump);
        $three = ['price' => ['kind' => 'payments', 'payments' => 3]];
        yield 'one thing' => [[Sale::wanted(19_000)], 0, null, [19_000, 0, 0, 19_000]];
        yield 'tax is in it' => [[Sale::wanted(19_000)], 1_900, null, [19_000, 3_034, 0, 19_000]];
        yield 'tax on top' => [[Sale::wanted(19_000, ['price' => ['taxOnTop' => true]])], 1_900, null, [22_610, 3_610, 0, 22_610]];
        yield 'with a bump' => [[Sale::wanted(19_000), $bump(2_500)], 1_900, null, [21_500, 3_433, 0, 21_500]];
        yield 'percent off all' => [[Sale::wanted(19_000), $bump(2_500)], 0, self::coupon(10), [19_350, 0, 2_150, 19_350]];
        yield 'percent off one' => [[Sale::wanted(19_000), $bump(2_500)], 0, self::coupon(10, more: ['offers' => ['offer']]),
            [19_600, 0, 1_900, 19_600]];
        yield 'an amount over both' => [[Sale::wanted(19_000), $bump(2_500)], 0, self::coupon(0, 500), [21_000, 0, 500, 21_000]];
        yield 'an amount larger than it costs' => [[Sale::wanted(19_000)], 1_900, self::coupon(0, 50_000), [0, 0, 19_000, 0]];
        yield 'all of it off' => [[Sale::wanted(19_000)], 1_900, self::coupon(100), [0, 0, 19_000, 0]];
        yield 'tax after the coupon' => [[Sale::wanted(10_000)], 1_900, self::coupon(50), [5_000, 798, 5_000, 5_000]];
        yield 'tax on top after the coupon' => [[Sale::wanted(10_000, ['price' => ['taxOnTop' => true]])], 1_900, self::coupon(50),
            [5_950, 950, 5_000, 5_950]];
        yield 'three payments' => [[Sale::wanted(9_900, $three)], 0, null, [29_700, 0, 0, 9_900]];
        yield 'three payments and a bump' => [[Sale::wanted(9_900, $three), $bump(2_500)], 0, null, [32_200, 0, 0, 12_400]];
        yield 'ten percent off three payments' => [[Sale::wanted(9_999, $three)], 0, self::coupon(10), [26_997, 0, 3_000, 8_999]];
        yield 'payments that do not divide' => [[Sale::wanted(100, $three)], 0, self::coupon(0, 1), [299, 0, 1, 100]];
        yield 'free' => [[Sale::wanted(0, ['price' => ['kind' => 'free']])], 1_900, null, [0, 0, 0, 0]];
        yield 'an amount of their own' => [[Sale::wanted(3_300, ['price' => ['kind' => 'named', 'amount' => 1_000]])], 0, null,
            [3_300, 0, 0, 3_300]];
    }

    /**
     * @param  non-empty-list<Wanted>  $wanted
     * @param  array{int, int, int, int}  $sums  total, tax, discount, due now
     */
    #[DataProvider('purchases')]
    public function test_what_it_comes_to(array $wanted, int $tax, ?Coupon $coupon, array $sums): void
    {
        $quote = Quote::of($wanted, TaxRate::of($tax), $coupon);

        self::assertSame($sums, [$quote->total()->minor, $quote->tax()->minor, $quote->discount()->minor, $quote->dueNow()->minor]);
        self::assertSame($sums[0] !== $sums[3], $quote->hasPlan());
    }

    public function test_lines_add_up_whatever_is_bought_with_whatever_coupon(): void
    {
        $dice = new Randomizer(new Mt19937(11));
        for ($i = 0; $i < 1500; $i++) {
            $wanted = [];
            for ($n = 0; $n < $dice->getInt(1, 4); $n++) {
                $payments = $dice->getInt(1, 6);
                $wanted[] = Sale::wanted($dice->getInt(1, 40_000), ['price' => ['taxOnTop' => (bool) $dice->getInt(0, 1)]
                    + ($payments > 1 ? ['kind' => 'payments', 'payments' => $payments] : [])], "o{$n}");
            }
            $coupon = match ($dice->getInt(0, 2)) {
                0 => null,
                1 => self::coupon($dice->getInt(1, 100)),
                default => self::coupon(0, $dice->getInt(1, 60_000), ['offers' => ['o0', 'o2']]),
            };
            $quote = Quote::of($wanted, TaxRate::of($dice->getInt(0, 3_000)), $coupon);
            foreach ($quote->lines as $line) {
                self::assertGreaterThanOrEqual(0, $line->price->minor - $line->discount->minor, 'never below zero');
                self::assertSame($line->total->minor, $line->net->minor + $line->tax->minor);
                self::assertSame($line->price->minor - $line->discount->minor, ($line->taxOnTop ? $line->net : $line->total)->minor);
                $instalments = array_map(fn (Money $m): int => $m->minor, $line->instalments());
                self::assertSame($line->total->minor, array_sum($instalments));
                self::assertLessThanOrEqual(1, max($instalments) - min($instalments));
                self::assertEquals($line, QuoteLine::fromShape(Shape::of($line->toArray())), 'an order keeps it as it is');
            }
        }
    }

    public function test_what_cannot_be_bought_together_or_at_that_price(): void
    {
        $yen = Sale::wanted(500, ['price' => ['currency' => 'JPY']], 'bump', LineKind::Bump);
        foreach ([fn () => Quote::of([Sale::wanted(100), $yen], TaxRate::of(0)),
            fn () => Quote::of([$yen], TaxRate::of(0), self::coupon(0, 100)),
            fn () => Wanted::of(LineKind::Main, Sale::offer(1_000, ['price' => ['kind' => 'named']]), Sale::wanted(1)->product),
            fn () => Wanted::of(LineKind::Main, Sale::offer(1_000, ['price' => ['kind' => 'named']]), Sale::wanted(1)->product,
                Sale::euros(999))] as $n => $buy) {
            try {
                $buy();
                self::fail("number {$n} went through");
            } catch (Invalid $e) {
                self::assertContains($e->path, ['currency', 'amount']);
            }
        }
    }
}
