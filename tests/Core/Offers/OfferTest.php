<?php

declare(strict_types=1);

namespace Tests\Core\Offers;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\Interval;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Offers\SaleWindow;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\English;

/** When an offer is sold and to whom, when a coupon holds, and when the payments of a plan are due. */
final class OfferTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string, int, bool, Availability}> */
    public static function standings(): iterable
    {
        $window = ['from' => '2027-03-01T09:00', 'until' => '2027-03-28T02:30'];
        yield 'always' => [[], '2027-01-01T00:00Z', 0, false, Availability::OnSale];
        yield 'a second before' => [$window, '2027-03-01T07:59:59Z', 0, false, Availability::NotYet];
        yield 'at the moment' => [$window, '2027-03-01T08:00:00Z', 0, false, Availability::OnSale];
        // 2:30 does not exist on that day in Berlin: the clocks go from 2 to 3. It is half an hour after the jump.
        yield 'until a moment the clocks skip, just before' => [$window, '2027-03-28T01:29:59Z', 0, false, Availability::OnSale];
        yield 'until a moment the clocks skip' => [$window, '2027-03-28T01:30:00Z', 0, false, Availability::Over];
        // 2:30 comes twice: the first of both ends it.
        yield 'until a moment that comes twice' => [['until' => '2027-10-31T02:30'], '2027-10-31T00:30:00Z', 0, false, Availability::Over];
        yield 'and before the first of both' => [['until' => '2027-10-31T02:30'], '2027-10-31T00:29:59Z', 0, false, Availability::OnSale];
        yield 'the last place' => [['places' => 10], '2027-01-01T00:00Z', 9, false, Availability::OnSale];
        yield 'no place left' => [['places' => 10], '2027-01-01T00:00Z', 10, false, Availability::SoldOut];
        yield 'none at all' => [['places' => 0], '2027-01-01T00:00Z', 0, false, Availability::SoldOut];
        yield 'bought before' => [[], '2027-01-01T00:00Z', 1, true, Availability::AlreadyBought];
        yield 'bought before, and again' => [['oncePerPerson' => false], '2027-01-01T00:00Z', 1, true, Availability::OnSale];
        yield 'bought before, and over' => [$window, '2028-01-01T00:00Z', 1, true, Availability::AlreadyBought];
    }

    /** @param  array<string, mixed>  $offer */
    #[DataProvider('standings')]
    public function test_whether_it_can_be_bought(array $offer, string $now, int $taken, bool $bought, Availability $availability): void
    {
        self::assertSame($availability, Sale::offer(100, $offer)->availability(new DateTimeImmutable($now),
            new DateTimeZone('Europe/Berlin'),
            $taken, $bought));
        self::assertNotContains($availability->heading()->key, [English::say($availability->heading()), '']);
        self::assertNotContains($availability->sentence()->key, [English::say($availability->sentence()), '']);
    }

    /** @return iterable<string, array{Interval, string, int, string, string}> */
    public static function payments(): iterable
    {
        yield 'the first at once' => [Interval::Month, '2027-01-31T10:00Z', 1, 'Europe/Berlin', '2027-01-31T10:00:00Z'];
        yield 'a month with fewer days' => [Interval::Month, '2027-01-31T10:00Z', 2, 'Europe/Berlin', '2027-02-28T10:00:00Z'];
        yield 'and back to the day' => [Interval::Month, '2027-01-31T10:00Z', 3, 'Europe/Berlin', '2027-03-31T09:00:00Z'];
        yield 'a leap year' => [Interval::Month, '2028-01-30T10:00Z', 2, 'UTC', '2028-02-29T10:00:00Z'];
        yield 'over the year' => [Interval::Month, '2026-11-30T10:00Z', 4, 'UTC', '2027-02-28T10:00:00Z'];
        yield 'a week' => [Interval::Week, '2027-03-24T22:30Z', 2, 'UTC', '2027-03-31T22:30:00Z'];
        yield 'a week over the change of the clocks' => [Interval::Week, '2027-03-24T11:00Z', 2, 'Europe/Berlin', '2027-03-31T10:00:00Z'];
        yield 'the day on the clocks of the owner' => [Interval::Month, '2027-01-31T23:30Z', 2, 'Europe/Berlin', '2027-02-28T23:30:00Z'];
        yield 'a time that is skipped' => [Interval::Week, '2027-03-21T01:30Z', 2, 'Europe/Berlin', '2027-03-28T01:30:00Z'];
        yield 'half an hour east' => [Interval::Month, '2027-01-31T20:00Z', 2, 'Asia/Kolkata', '2027-02-28T20:00:00Z'];
    }

    #[DataProvider('payments')]
    public function test_when_a_payment_is_due(Interval $every, string $first, int $number, string $zone, string $due): void
    {
        self::assertSame($due, $every->due(new DateTimeImmutable($first), $number, new DateTimeZone($zone))->format('Y-m-d\TH:i:s\Z'));
    }

    /** @return iterable<string, array{array<string, mixed>, string, list<string>, int, int, bool}> */
    public static function coupons(): iterable
    {
        yield 'for everything' => [['percent' => 10], '2027-01-01T00:00Z', ['a'], 0, 0, true];
        yield 'for something else' => [['percent' => 10, 'offers' => ['b']], '2027-01-01T00:00Z', ['a'], 0, 0, false];
        yield 'for one of both' => [['percent' => 10, 'offers' => ['b']], '2027-01-01T00:00Z', ['a', 'b'], 0, 0, true];
        yield 'not yet' => [['percent' => 10, 'from' => '2027-01-01T01:01'], '2027-01-01T00:00Z', ['a'], 0, 0, false];
        yield 'on its last second' => [['percent' => 10, 'until' => '2027-01-01T01:00'], '2026-12-31T23:59:59Z', ['a'], 0, 0, true];
        yield 'past' => [['percent' => 10, 'until' => '2027-01-01T01:00'], '2027-01-01T00:00Z', ['a'], 0, 0, false];
        yield 'one use left' => [['percent' => 10, 'uses' => 3], '2027-01-01T00:00Z', ['a'], 2, 0, true];
        yield 'used up' => [['percent' => 10, 'uses' => 3], '2027-01-01T00:00Z', ['a'], 3, 0, false];
        yield 'used by them' => [['percent' => 10], '2027-01-01T00:00Z', ['a'], 1, 1, false];
        yield 'used by them, as often as they like' => [['percent' => 10, 'usesPerPerson' => 0], '2027-01-01T00:00Z', ['a'], 9, 9, true];
    }

    /**
     * @param  array<string, mixed>  $coupon
     * @param  list<string>  $offers
     */
    #[DataProvider('coupons')]
    public function test_whether_a_coupon_holds(array $coupon, string $now, array $offers, int $used, int $byPerson, bool $holds): void
    {
        $read = Coupon::fromShape(Shape::of($coupon + ['id' => 'c', 'name' => 'C', 'code' => 'early-bird']));

        self::assertSame('EARLY-BIRD', $read->code);
        self::assertSame($holds, $read->refusal(new DateTimeImmutable($now), new DateTimeZone('Europe/Berlin'), $offers, $used,
            $byPerson) === null);
        self::assertEquals($read, Coupon::fromShape(Shape::of($read->toArray())));
    }

    public function test_a_code_is_compared_however_it_is_typed(): void
    {
        self::assertSame('EARLY-BIRD', Coupon::normal(" early\u{2013}Bird\u{a0}"));
    }

    /** @return iterable<string, array{class-string<Offer|Product|Coupon>, array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $price = ['kind' => 'once', 'amount' => 100, 'currency' => 'EUR'];
        $offer = fn (array $more): array => [Offer::class, $more + ['id' => 'o', 'name' => 'x', 'product' => 'p', 'price' => $price]];
        yield 'an offer without a name' => [...$offer(['name' => ' ']), 'name'];
        yield 'a price below zero' => [...$offer(['price' => ['amount' => -1] + $price]), 'price.amount'];
        yield 'a price that is no number' => [...$offer(['price' => ['amount' => '100'] + $price]), 'price.amount'];
        yield 'half a cent' => [...$offer(['price' => ['amount' => 0.5] + $price]), 'price.amount'];
        yield 'no such currency' => [...$offer(['price' => ['currency' => 'EUX'] + $price]), 'price.currency'];
        yield 'one payment is no plan' => [...$offer(['price' => ['kind' => 'payments', 'payments' => 1] + $price]), 'price.payments'];
        yield 'a plan without an end' => [...$offer(['price' => ['kind' => 'payments', 'payments' => 37] + $price]), 'price.payments'];
        yield 'places below none' => [...$offer(['places' => -1]), 'places'];
        yield 'it ends before it begins' => [...$offer(['from' => '2027-01-02T00:00', 'until' => '2027-01-01T00:00']), 'until'];
        yield 'a day that is none' => [...$offer(['from' => '2027-02-30T00:00']), 'from'];
        yield 'a bump beside itself' => [...$offer(['bumps' => [['offer' => 'o']]]), 'bumps.0.offer'];
        yield 'four bumps' => [...$offer(['bumps' => array_map(fn (int $n): array => ['offer' => "o{$n}"], [1, 2, 3, 4])]), 'bumps'];
        yield 'a product without a name' => [Product::class, ['id' => 'p', 'name' => ''], 'name'];
        yield 'an address that runs' => [Product::class, ['id' => 'p', 'name' => 'x', 'url' => 'javascript:alert(1)'], 'url'];
        yield 'files that are words' => [Product::class, ['id' => 'p', 'name' => 'x', 'files' => ['a']], 'files.0'];
        $coupon = fn (array $more): array => [Coupon::class, $more + ['id' => 'c', 'name' => 'x', 'code' => 'ABC']];
        yield 'a coupon for nothing' => [...$coupon([]), 'percent'];
        yield 'a coupon for both' => [...$coupon(['percent' => 5, 'off' => ['amount' => 1, 'currency' => 'EUR']]), 'percent'];
        yield 'more than all' => [...$coupon(['percent' => 101]), 'percent'];
        yield 'an amount of nothing' => [...$coupon(['off' => ['amount' => 0, 'currency' => 'EUR']]), 'off.amount'];
        yield 'a code with a quote in it' => [...$coupon(['percent' => 5, 'code' => "A'B"]), 'code'];
        yield 'a code too short' => [...$coupon(['percent' => 5, 'code' => 'AB']), 'code'];
    }

    /**
     * @param  class-string<Offer|Product|Coupon>  $class
     * @param  array<string, mixed>  $written
     */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_named(string $class, array $written, string $path): void
    {
        try {
            $class::fromShape(Shape::of($written));
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path, $e->getMessage());
        }
    }

    public function test_a_price_says_itself(): void
    {
        $words = function (array $price): array {
            $price = Sale::offer(9_900, ['price' => $price])->price;
            self::assertSame($price->words('en-GB'), English::say($price->phrase()), 'owners and visitors read the same');

            return [$price->words(), English::say($price->notePhrase()) ?? ''];
        };

        self::assertSame(['€99', 'One payment, no subscription.'], $words([]));
        self::assertSame(['3 × €99', 'One payment a month, €297 in all.'], $words(['kind' => 'payments', 'payments' => 3]));
        self::assertSame(['free', ''], $words(['kind' => 'free']));
        self::assertSame(['from €99', 'Plus tax.'], $words(['kind' => 'named', 'taxOnTop' => true]));
        self::assertTrue(SaleWindow::always()->holds(new DateTimeImmutable, new DateTimeZone('UTC')));
    }
}
