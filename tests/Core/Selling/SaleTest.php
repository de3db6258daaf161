<?php

declare(strict_types=1);

namespace Tests\Core\Selling;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Selling\FreshOrder;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Selling\SaleFacts;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Offers\Sale as Offers;

/** May it be bought now, and for how much? */
final class SaleTest extends TestCase
{
    private const NOW = '2026-12-01 12:00:00';

    private static function at(string $moment = self::NOW): DateTimeImmutable
    {
        return new DateTimeImmutable("{$moment} UTC");
    }

    /** @param  list<string>  $offers */
    private static function deadline(string $id = 'd', array $offers = ['offer'], int $grace = 10): Deadline
    {
        return Deadline::fromShape(Shape::of(['id' => $id, 'name' => $id, 'duration' => ['days' => 3], 'offers' => $offers,
            'grace' => $grace]));
    }

    /** @param  array<string, string>  $ends  when they end for this person, by deadline */
    private static function states(array $ends, Deadline ...$deadlines): DeadlineStates
    {
        return DeadlineStates::of(array_values($deadlines),
            array_map(fn (string $end): Run => new Run(self::at('2026-11-28 12:00:00'), self::at($end)), $ends), self::at());
    }

    /** @return iterable<string, array{Availability, array<string, mixed>, 1?: array<string, mixed>}> with the facts, and the offer */
    public static function facts(): iterable
    {
        $guarded = fn (?string $end, ?string $openSince = null): array => ['deadlines' => [self::deadline()],
            'states' => self::states($end === null ? [] : ['d' => $end], self::deadline()),
            'openSince' => $openSince === null ? null : self::at($openSince)];
        yield 'nothing in the way' => [Availability::OnSale, []];
        yield 'bought before' => [Availability::AlreadyBought, ['has' => true]];
        yield 'bought before, and may be bought again' => [Availability::OnSale, ['has' => true], ['oncePerPerson' => false]];
        yield 'the last place is free' => [Availability::OnSale, ['taken' => 9], ['places' => 10]];
        yield 'no place is free' => [Availability::SoldOut, ['taken' => 10], ['places' => 10]];
        yield 'a deadline runs' => [Availability::OnSale, $guarded('2026-12-01 12:00:01')];
        yield 'it has ended this very moment' => [Availability::TimeRanOut, $guarded(self::NOW)];
        yield 'in its grace, from a checkout that was open' => [Availability::OnSale, $guarded('2026-12-01 11:55:00',
            '2026-12-01 11:54:59')];
        yield 'in its grace, opened at the end' => [Availability::TimeRanOut, $guarded('2026-12-01 11:55:00', '2026-12-01 11:55:00')];
        yield 'in its grace, from nowhere' => [Availability::TimeRanOut, $guarded('2026-12-01 11:55:00')];
        yield 'past its grace, however long it was open' => [Availability::TimeRanOut, $guarded('2026-12-01 11:50:00',
            '2026-11-29 12:00:00')];
        yield 'it has not begun for them' => [Availability::OnSale, $guarded(null)];
        yield 'it guards another offer' => [Availability::OnSale, ['deadlines' => [self::deadline('d', ['other'])],
            'states' => self::states(['d' => '2026-11-30 12:00:00'], self::deadline('d', ['other']))]];
        yield 'of two the one that is over holds' => [Availability::TimeRanOut, ['deadlines' => [self::deadline('a'), self::deadline('b')],
            'states' => self::states(['a' => '2026-12-05 12:00:00', 'b' => '2026-11-30 12:00:00'], self::deadline('a'),
                self::deadline('b'))]];
        yield 'open in the one, and opened after the end of the other' => [Availability::TimeRanOut,
            ['openSince' => self::at('2026-12-01 11:58'),
                'deadlines' => [self::deadline('a'), self::deadline('b')], 'states' => self::states(['a' => '2026-12-05 12:00:00',
                    'b' => '2026-12-01 11:57:00'], self::deadline('a'), self::deadline('b'))]];
        yield 'the owner tries it' => [Availability::OnSale, ['states' => null] + $guarded('2026-11-30 12:00:00')];
        yield 'what the offer says comes first' => [Availability::SoldOut, ['taken' => 1] + $guarded('2026-11-30 12:00:00'),
            ['places' => 1]];
    }

    /**
     * @param  array<string, mixed>  $facts
     * @param  array<string, mixed>  $offer
     */
    #[DataProvider('facts')]
    public function test_whether_it_may_be_bought(Availability $expected, array $facts, array $offer = []): void
    {
        self::assertSame($expected, Sale::availability(Offers::offer(19_000, $offer),
            new SaleFacts(...$facts + ['zone' => new DateTimeZone('Europe/Berlin')]), self::at()));
    }

    /** @return iterable<string, array{Availability, OrderState, bool}> */
    public static function orders(): iterable
    {
        foreach (OrderState::cases() as $state) {
            yield "with an order that is {$state->value}" => [in_array($state, [OrderState::Paid, OrderState::PartRefunded], true)
                ? Availability::OnSale : Availability::Over, $state, false];
        }
        yield 'it is in the order already' => [Availability::AlreadyBought, OrderState::Paid, true];
        yield 'in an order that was paid back' => [Availability::Over, OrderState::Refunded, true];
    }

    #[DataProvider('orders')]
    public function test_an_extra_offer_is_for_those_who_have_what_they_paid_for(Availability $expected, OrderState $state, bool $in): void
    {
        self::assertSame($expected, Sale::ofExtra(Offers::offer(4_900), $state, $in, new SaleFacts(new DateTimeZone('UTC')), self::at()));
    }

    /** @return iterable<string, array{bool, OrderState, string|null}> */
    public static function fresh(): iterable
    {
        yield 'just bought' => [true, OrderState::Paid, self::NOW];
        yield 'within the hour' => [true, OrderState::Paid, '2026-12-01 11:00:01'];
        yield 'an hour ago' => [false, OrderState::Paid, '2026-12-01 11:00:00'];
        yield 'a part of it paid back' => [true, OrderState::PartRefunded, self::NOW];
        yield 'all of it paid back' => [false, OrderState::Refunded, self::NOW];
        yield 'taken back by the bank' => [false, OrderState::Disputed, self::NOW];
        yield 'not paid yet' => [false, OrderState::Open, null];
        yield 'waiting for the bank' => [false, OrderState::Waiting, null];
    }

    #[DataProvider('fresh')]
    public function test_one_click_charges_only_a_card_that_was_just_used(bool $fresh, OrderState $state, ?string $boughtAt): void
    {
        self::assertSame($fresh, (new FreshOrder($state, $boughtAt === null ? null : self::at($boughtAt), 60))->isFresh(self::at()));
    }

    /** @return iterable<string, array{int, int, string|null, string, string}> the price that holds; shown, when, in which currencies */
    public static function shown(): iterable
    {
        yield 'nothing was shown' => [29_000, 19_000, null, 'EUR', 'EUR'];
        yield 'the lower one, within the hour' => [19_000, 19_000, '2026-12-01 11:00:00', 'EUR', 'EUR'];
        yield 'the lower one, too long ago' => [29_000, 19_000, '2026-12-01 10:59:59', 'EUR', 'EUR'];
        yield 'a higher one' => [29_000, 39_000, self::NOW, 'EUR', 'EUR'];
        yield 'in another currency' => [29_000, 19_000, self::NOW, 'CHF', 'EUR'];
        yield 'from a clock ahead' => [29_000, 19_000, '2026-12-01 12:00:01', 'EUR', 'EUR'];
    }

    #[DataProvider('shown')]
    public function test_which_price_holds(int $holds, int $amount, ?string $at, string $currency, string $today): void
    {
        $offer = Offers::offer(29_000, ['price' => ['currency' => $today]]);
        $was = Offers::offer($amount, ['price' => ['currency' => $currency]])->price;

        self::assertSame($holds, Sale::atPriceOf($offer, $at === null ? null : $was, $at === null ? null : self::at($at), self::at())
            ->price->total()->minor);
    }

    public function test_it_is_kept_under_which_deadline_it_was_sold(): void
    {
        $deadlines = [self::deadline('a'), self::deadline('b'), self::deadline('c', ['other'])];
        $states = self::states(['a' => '2026-12-05 12:00:00', 'b' => '2026-12-01 11:59:30', 'c' => '2026-12-01 11:00:00'], ...$deadlines);

        self::assertSame(['deadline' => 'b', 'left' => -30], Sale::under('offer', $deadlines, $states, self::at()));
        self::assertNull(Sale::under('free', $deadlines, $states, self::at()));
        self::assertNull(Sale::under('offer', $deadlines, self::states([], ...$deadlines), self::at()));
    }
}
