<?php

declare(strict_types=1);

namespace Tests\Core\Checks;

use Closure;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** What stands between an offer and its buyers is found before a funnel goes live. */
final class OfferCheckTest extends TestCase
{
    private const MAIN = 0;

    private const EXTRA = 1;

    /** @param  Closure(array<string, mixed>): array<string, mixed>|null  $change  of the written form of a funnel that sells */
    private static function plan(?Closure $change = null): Plan
    {
        return Plans::changed(function (array $plan) use ($change): array {
            $plan = Plans::atOnePrice($plan);
            foreach ($plan['offers'] as $i => $offer) {
                $plan['offers'][$i]['price']['amount'] = [29_000, 6_000, 2_500][$i];
            }
            foreach ($plan['products'] as $i => $product) {
                $plan['products'][$i]['url'] = 'https://lessons.example/room';
            }

            return $change === null ? $plan : $change($plan);
        }, Plans::of(Goal::Sell));
    }

    /**
     * @return list<string> the code of each, with a star where it keeps the funnel from going live
     */
    private static function found(Plan $plan): array
    {
        $found = array_filter(GoLiveCheck::of($plan), fn (Finding $f): bool => ! in_array($f->code, ['empty-picture'], true));

        return array_values(array_map(fn (Finding $f): string => $f->code.($f->blocks ? '*' : ''), $found));
    }

    public function test_a_funnel_that_sells_is_whole_once_it_has_its_prices(): void
    {
        self::assertSame([], self::found(self::plan()));
    }

    /** @return iterable<string, array{Closure(array<string, mixed>): array<string, mixed>, list<string>}> */
    public static function faults(): iterable
    {
        $offer = fn (int $i, array $values): Closure => function (array $p) use ($i, $values): array {
            $p['offers'][$i] = array_replace_recursive($p['offers'][$i], $values);

            return $p;
        };
        $product = fn (int $i, array $values): Closure => function (array $p) use ($i, $values): array {
            $p['products'][$i] = array_diff_key($values + $p['products'][$i], array_flip(array_keys($values, null, true)));

            return $p;
        };
        $without = fn (string $role, string $outcome): Closure => function (array $p) use ($role, $outcome): array {
            $page = array_values(array_filter($p['pages'], fn (array $q): bool => $q['role'] === $role))[0]['id'];
            $p['ways'] = array_values(array_filter($p['ways'], fn (array $w): bool => [$w['page'], $w['outcome']] !== [$page, $outcome]));

            return $p;
        };
        $swap = fn (string $from, string $to): Closure => fn (array $p): array => json_decode(str_replace($from, $to,
            (string) json_encode($p, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)), true);

        yield 'no price' => [$offer(self::EXTRA, ['price' => ['amount' => 0]]), ['no-price*']];
        yield 'another currency' => [$offer(self::EXTRA, ['price' => ['currency' => 'GBP']]), ['other-currency*']];
        yield 'all in another currency than the funnel' => [fn (array $p): array => ['currency' => 'CHF'] + $p,
            ['other-currency*', 'other-currency*', 'other-currency*']];
        yield 'a coupon in another currency' => [fn (array $p): array => ['coupons' => [['id' => 'c', 'name' => 'Ten', 'code' => 'CELLO10',
            'off' => ['amount' => 1_000, 'currency' => 'USD'], 'offers' => []]]] + $p, ['other-currency*']];
        yield 'delivers nothing' => [$product(self::EXTRA, ['tags' => [], 'url' => null]), ['delivers-nothing*']];
        yield 'a tag alone' => [$product(self::EXTRA, ['url' => null]), ['opens-nothing']];
        yield 'a sequence that is gone' => [$product(0, ['sequence' => 'gone']), ['never-started', 'product-gone*']];
        yield 'a page that is gone' => [$product(0, ['page' => 'gone']), ['product-gone*']];
        yield 'the page that everybody comes to first' => [function (array $p): array {
            $p['products'][0]['page'] = $p['pages'][0]['id'];

            return $p;
        }, ['entry-guarded*']];
        yield 'a tag that ends the sequence of the product' => [function (array $p): array {
            $p['sequences'][0]['ends'] = [['kind' => 'tag', 'tag' => $p['products'][0]['tags'][0]]];

            return $p;
        }, ['ends-at-once*']];
        yield 'a sequence that nothing starts' => [$product(0, ['sequence' => null]), ['never-started']];
        yield 'a product that is gone' => [$offer(self::EXTRA, ['product' => 'gone']), ['no-product*']];
        yield 'no places' => [$offer(self::EXTRA, ['places' => 0]), ['no-places*']];
        yield 'a bump that is gone' => [$offer(self::MAIN, ['bumps' => [['offer' => 'gone']]]), ['bump-gone']];
        yield 'a bump whose buyer names the amount, and the page that sells it with one click' => [
            $offer(2, ['price' => ['kind' => 'named']]), ['bump-named*', 'extra-named*']];
        yield 'a no thanks that leads nowhere' => [$without('downsell', 'declined'), ['dead-end*']];
        yield 'a yes that leads nowhere' => [$without('upsell', 'bought'), ['dead-end*']];
        yield 'a sales page without a way to its checkout' => [$without('sales', 'chose'),
            ['dead-end*', 'unreachable', 'unreachable', 'unreachable', 'no-way-to-buy*']];
        yield 'an extra offer that no buyer comes to' => [function (array $p): array {
            foreach ($p['ways'] as $i => $way) {
                if ($way['outcome'] === 'bought' && $way['page'] === $p['pages'][1]['id']) {
                    $p['ways'][$i]['toPage'] = array_values(array_filter($p['pages'],
                        fn (array $q): bool => $q['role'] === 'delivery'))[0]['id'];
                }
            }

            return $p;
        }, ['unreachable', 'unreachable', 'not-for-buyers', 'not-for-buyers']];
        yield 'a checkout of nothing' => [function (array $p): array {
            $p['pages'][1]['document'] = json_decode((string) preg_replace('/("kind":"checkout"[^}]*"offer":)"[^"]*"/', '$1""',
                (string) json_encode($p['pages'][1]['document'])), true);

            return $p;
        }, ['no-way-to-buy*', 'no-offer*', 'not-for-buyers', 'not-for-buyers']];
        yield 'an amount in words that nothing costs' => [$swap('Two fields and your card.', 'Two fields, and €55 for an hour.'),
            ['price-differs']];
        yield 'an amount in an email that nothing costs' => [function (array $p): array {
            $p['emails'][0]['body'] = '<p>It is €295 today.</p>';

            return $p;
        }, ['price-differs']];
        yield 'an amount in an email that an offer costs' => [function (array $p): array {
            $p['emails'][0]['body'] = '<p>It is EUR 290, or 290,00 €, or €60.</p>';

            return $p;
        }, []];
    }

    /**
     * @param  Closure(array<string, mixed>): array<string, mixed>  $change
     * @param  list<string>  $codes
     */
    #[DataProvider('faults')]
    public function test_what_is_found(Closure $change, array $codes): void
    {
        $found = self::found(self::plan($change));
        sort($codes);
        sort($found);

        self::assertSame($codes, $found);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function typed(): iterable
    {
        yield 'the price of an offer' => ['€290', ['price-typed']];
        yield 'the same, written otherwise' => ['290,00 EUR', ['price-typed']];
        yield 'another price' => ['€280', ['price-differs*']];
        yield 'no price at all' => ['Ask me', ['price-differs*']];
    }

    /** @param  list<string>  $codes */
    #[DataProvider('typed')]
    public function test_a_price_card_that_was_typed_by_hand(string $price, array $codes): void
    {
        $plan = self::plan(function (array $p) use ($price): array {
            $p['pages'][0]['document'] = json_decode((string) preg_replace('/("kind":"price"[^}]*)"offer":"[^"]*"/',
                '$1"offer":"","price":"'.$price.'"', (string) json_encode($p['pages'][0]['document'], JSON_UNESCAPED_UNICODE)), true);

            return $p;
        });

        self::assertSame($codes, self::found($plan));
    }

    public function test_what_nothing_sells_is_no_trouble(): void
    {
        $plan = self::plan(fn (array $p): array => ['offers' => [...$p['offers'], ['id' => 'spare', 'name' => 'Spare', 'product' => 'gone',
            'price' => ['kind' => 'once', 'amount' => 0, 'currency' => 'USD']]]] + $p);

        self::assertSame([], self::found($plan));
    }
}
