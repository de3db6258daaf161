<?php

declare(strict_types=1);

namespace Tests\Core\Money;

use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Money is whole smallest units of one currency; whatever it is divided into comes to the whole again. */
final class MoneyTest extends TestCase
{
    private static function euros(int $cents): Money
    {
        return Money::of($cents, Currency::of('EUR'));
    }

    /** @return iterable<string, array{string, string, int|null}> */
    public static function typed(): iterable
    {
        yield 'whole' => ['290', 'EUR', 29_000];
        yield 'with a point' => ['290.00', 'EUR', 29_000];
        yield 'with a comma' => ['49,5', 'EUR', 4_950];
        yield 'with its sign behind' => ['290 €', 'EUR', 29_000];
        yield 'with its sign before' => ['€ 1,290.50', 'EUR', 129_050];
        yield 'with its code' => ['EUR 12', 'EUR', 1_200];
        yield 'groups with points' => ['1.290,50', 'EUR', 129_050];
        yield 'a group alone' => ['1.500', 'EUR', 150_000];
        yield 'groups with spaces' => ['12 345', 'EUR', 1_234_500];
        yield 'groups with narrow spaces' => ["12\u{202F}345", 'EUR', 1_234_500];
        yield 'nothing before the point' => ['.50', 'EUR', null];
        yield 'a currency without decimals' => ['1,200', 'JPY', 1_200];
        yield 'decimals it has not' => ['12.5', 'JPY', null];
        yield 'three decimals' => ['1.234', 'KWD', 1_234];
        yield 'three decimals it has not' => ['0.500', 'EUR', null];
        yield 'below zero' => ['-5', 'EUR', null];
        yield 'words' => ['a lot', 'EUR', null];
        yield 'empty' => ['', 'EUR', null];
        yield 'another currency' => ['$5', 'EUR', null];
        yield 'two kinds of marks, wrong way' => ['1,2,3', 'EUR', null];
        yield 'written in science' => ['1e3', 'EUR', null];
        yield 'too large' => ['99999999999', 'EUR', null];
        yield 'the largest' => ['9999999999.99', 'EUR', Money::MOST];
        yield 'not UTF-8' => ["29\xff0", 'EUR', null];
    }

    #[DataProvider('typed')]
    public function test_an_amount_as_it_is_typed(string $text, string $currency, ?int $minor): void
    {
        try {
            self::assertSame($minor, Money::typed($text, Currency::of($currency))->minor);
        } catch (Invalid $e) {
            self::assertNull($minor, $e->getMessage());
            self::assertSame('amount', $e->path);
        }
    }

    /** @return iterable<string, array{int, string, string, string, string}> */
    public static function shown(): iterable
    {
        yield 'euros in English' => [29_000, 'EUR', 'en', '€290', '290.00'];
        yield 'euros in German' => [129_050, 'EUR', 'de', "1.290,50\u{a0}€", '1290.50'];
        yield 'yen' => [1_200, 'JPY', 'en', '¥1,200', '1200'];
        yield 'dinars' => [1_500, 'KWD', 'en', "KWD\u{a0}1.500", '1.500'];
        yield 'below zero' => [-250, 'EUR', 'en', '-€2.50', '-2.50'];
        yield 'less than one' => [5, 'EUR', 'en', '€0.05', '0.05'];
        yield 'the largest' => [Money::MOST, 'EUR', 'en', '€9,999,999,999.99', '9999999999.99'];
    }

    #[DataProvider('shown')]
    public function test_an_amount_as_it_is_shown(int $minor, string $currency, string $language, string $words, string $plain): void
    {
        $money = Money::of($minor, Currency::of($currency));

        self::assertSame($words, $money->words($language));
        self::assertSame($plain, $money->plain());
        if ($minor >= 0) {
            self::assertSame($minor, Money::typed($plain, $money->currency)->minor, 'it is read as it is written');
        }
    }

    public function test_money_of_two_currencies_is_never_reckoned_together(): void
    {
        $yen = Money::of(100, Currency::of('JPY'));
        foreach (['plus', 'minus', 'isLessThan', 'least'] as $what) {
            try {
                self::euros(100)->{$what}($yen);
                self::fail("{$what} took another currency");
            } catch (Invalid $e) {
                self::assertSame('currency', $e->path);
            }
        }
        $this->expectException(Invalid::class);
        Money::sum([self::euros(1), $yen], Currency::of('EUR'));
    }

    /** @return iterable<string, array{int, int, int, int}> */
    public static function shares(): iterable
    {
        yield 'exactly' => [100, 1, 4, 25];
        yield 'a half goes up' => [5, 1, 2, 3];
        yield 'a half below zero goes down' => [-5, 1, 2, -3];
        yield 'less than a half goes' => [10, 1, 3, 3];
        yield 'more than a half comes' => [20, 1, 3, 7];
        yield 'the tax in it' => [19_000, 1_900, 11_900, 3_034];
        yield 'no overflow' => [Money::MOST, 9_999, 10_000, 999_899_999_999];
    }

    #[DataProvider('shares')]
    public function test_a_share_is_rounded_by_one_rule(int $minor, int $parts, int $of, int $share): void
    {
        self::assertSame($share, self::euros($minor)->share($parts, $of)->minor);
    }

    /** @return iterable<string, array{int, non-empty-list<int>, list<int>}> */
    public static function allocations(): iterable
    {
        yield 'even' => [9_900, [1, 1, 1], [3_300, 3_300, 3_300]];
        yield 'the first of equals gets what is left' => [100, [1, 1, 1], [34, 33, 33]];
        yield 'who lost most gets it' => [100, [1, 2], [33, 67]];
        yield 'by weight' => [500, [19_000, 2_500], [442, 58]];
        yield 'nothing counts' => [70, [0, 0], [70, 0]];
        yield 'nothing for nothing' => [10, [0, 5], [0, 10]];
        yield 'less than there are' => [1, [1, 1, 1], [1, 0, 0]];
        yield 'below zero' => [-100, [1, 1, 1], [-34, -33, -33]];
        yield 'huge weights' => [101, [Money::MOST, Money::MOST], [51, 50]];
    }

    /**
     * @param  non-empty-list<int>  $weights
     * @param  list<int>  $shares
     */
    #[DataProvider('allocations')]
    public function test_shares_come_to_the_whole(int $minor, array $weights, array $shares): void
    {
        self::assertSame($shares, array_map(fn (Money $m): int => $m->minor, self::euros($minor)->allocate($weights)));
    }

    public function test_any_amount_over_any_weights_comes_to_the_whole_and_no_share_is_off_by_a_unit(): void
    {
        $dice = new Randomizer(new Mt19937(7));
        for ($i = 0; $i < 2000; $i++) {
            $minor = $dice->getInt(0, 1_000_000);
            $weights = array_map(fn (): int => $dice->getInt(0, 5000), range(1, $dice->getInt(1, 12)));
            $weights[0]++;
            $shares = array_map(fn (Money $m): int => $m->minor, self::euros($minor)->allocate($weights));
            self::assertSame($minor, array_sum($shares));
            foreach ($shares as $n => $share) {
                self::assertLessThan(1, abs($share - $minor * $weights[$n] / array_sum($weights)));
            }
        }
    }

    public function test_amounts_beyond_what_can_be_counted_are_refused(): void
    {
        $this->expectException(Invalid::class);
        self::euros(Money::MOST)->plus(self::euros(1));
    }

    /** @return iterable<string, array{string, int}> */
    public static function currencies(): iterable
    {
        foreach (['JPY' => 0, 'ISK' => 0, 'VUV' => 0, 'EUR' => 2, 'USD' => 2, 'HUF' => 2, 'IDR' => 2, 'MRU' => 2, 'BHD' => 3, 'TND' => 3,
            'IQD' => 3] as $code => $decimals) {
            yield $code => [$code, $decimals];
        }
    }

    #[DataProvider('currencies')]
    public function test_a_currency_has_the_decimals_of_its_standard(string $code, int $decimals): void
    {
        self::assertSame($decimals, Currency::of($code)->decimals);
        self::assertContains($code, Currency::codes());
    }

    public function test_what_is_no_currency(): void
    {
        foreach (['', 'eur', 'EURO', 'XAU', 'XXX', 'ZZZ', 'E R', '   '] as $code) {
            self::assertFalse(Currency::isKnown($code));
            try {
                Currency::of($code);
                self::fail($code);
            } catch (Invalid) {
            }
        }
        self::assertSame(Currency::codes(), array_values(array_unique(Currency::codes())));
    }

    /** @return iterable<string, array{string, int|null, string}> */
    public static function rates(): iterable
    {
        yield 'whole' => ['19', 1_900, '19 %'];
        yield 'a tenth' => ['7.7', 770, '7.7 %'];
        yield 'a comma and a sign' => ['8,25 %', 825, '8.25 %'];
        yield 'none' => ['0', 0, '0 %'];
        yield 'all' => ['100', 10_000, '100 %'];
        yield 'more than all' => ['101', null, ''];
        yield 'below nothing' => ['-1', null, ''];
        yield 'too fine' => ['7.777', null, ''];
        yield 'words' => ['a little', null, ''];
    }

    #[DataProvider('rates')]
    public function test_a_rate_of_tax_as_it_is_typed(string $typed, ?int $hundredths, string $words): void
    {
        try {
            $rate = TaxRate::typed($typed);
            self::assertSame([$hundredths, $words], [$rate->hundredths, $rate->words()]);
        } catch (Invalid) {
            self::assertNull($hundredths);
        }
    }

    public function test_tax_within_and_on_top(): void
    {
        $rate = TaxRate::of(1_900);

        self::assertSame(3_034, $rate->within(self::euros(19_000))->minor);
        self::assertSame(3_610, $rate->ontop(self::euros(19_000))->minor);
        self::assertSame(0, TaxRate::of(0)->within(self::euros(19_000))->minor);
    }
}
