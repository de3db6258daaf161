<?php

declare(strict_types=1);

namespace Lantern\Core\Money;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Languages\Spoken;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use NumberFormatter;

/**
 * An amount in whole smallest units of one currency.
 *
 * Where a unit has to be divided there is one rule: a share is rounded to the nearest unit, a half away from zero, and
 * the shares of one amount ({@see allocate()}) always come to that amount: what is left over by rounding down goes, a
 * unit each, to those shares that lost most by it, and to the first of equals.
 */
final readonly class Money implements Spoken
{
    /** The largest amount, in smallest units: it can still be counted and shown exactly. */
    public const MOST = 999_999_999_999;

    private function __construct(public int $minor, public Currency $currency)
    {
    }

    /** @throws Invalid beyond what can be counted */
    public static function of(int $minor, Currency $currency): self
    {
        if (abs($minor) > self::MOST) {
            throw self::tooLarge('amount');
        }

        return new self($minor, $currency);
    }

    public static function zero(Currency $currency): self
    {
        return new self(0, $currency);
    }

    /**
     * An amount as somebody types it: digits, with a point or a comma before the decimals, and points, commas, spaces or
     * apostrophes between groups of three; the currency's code or sign may stand before or after it.
     *
     * @throws Invalid for anything else, for more decimals than the currency has, and beyond {@see MOST}
     */
    public static function typed(string $text, Currency $currency, string $path = 'amount'): self
    {
        $text = self::withoutSign(trim((string) preg_replace('/[\s\x{00A0}\x{202F}\'’]+/u', ' ', $text)), $currency);
        if (preg_match('/^([1-9]\d{0,2}(?:([ .,])\d{3})(?:\2\d{3})*|\d+)(?:([.,])(\d+))?$/D', $text, $m, PREG_UNMATCHED_AS_NULL) !== 1
            || ($m[2] !== null && $m[2] === $m[3])) {
            throw Invalid::said($path, Phrase::of('checkout.no_such_amount', ['example' => self::example($currency)]),
                'An amount is written in digits, such as '.self::example($currency).'.');
        }
        [$groups, $mark, $decimals] = [(string) $m[1], (string) $m[2], (string) $m[4]];
        // One mark alone before three digits: “1.500” groups, unless the currency has three decimals.
        if ($decimals === '' && in_array($mark, ['.', ','], true) && substr_count($groups, $mark) === 1 && $currency->decimals === 3) {
            [$groups, $decimals] = explode($mark, $groups);
        }
        $whole = ltrim((string) preg_replace('/\D/', '', $groups), '0');
        if (strlen($decimals) > $currency->decimals) {
            $has = $currency->decimals === 0 ? 'no decimals' : "at most {$currency->decimals} decimals";
            throw Invalid::said($path, Phrase::of('checkout.decimals', ['currency' => $currency->code, 'decimals' => $currency->decimals,
                'example' => self::example($currency)]),
                "An amount in {$currency->code} has {$has}, such as ".self::example($currency).'.');
        }
        if (strlen($whole) > 12) {
            throw self::tooLarge($path);
        }
        $minor = (int) $whole * $currency->units() + (int) str_pad($decimals, $currency->decimals, '0');

        return $minor > self::MOST ? throw self::tooLarge($path) : new self($minor, $currency);
    }

    private static function tooLarge(string $path): Invalid
    {
        return Invalid::said($path, Phrase::of('checkout.too_much'), 'This amount is too large.');
    }

    /**
     * As it is written in a plan: `{"amount": 29000, "currency": "EUR"}`, never below zero.
     */
    public static function fromShape(Shape $shape): self
    {
        return new self($shape->integer('amount', 0, self::MOST), Currency::of($shape->text('currency', 3), $shape->path('currency')));
    }

    /** @return array{amount: int, currency: string} */
    public function toArray(): array
    {
        return ['amount' => $this->minor, 'currency' => $this->currency->code];
    }

    /** @throws Invalid for another currency */
    public function plus(self $other): self
    {
        return self::of($this->minor + $this->same($other)->minor, $this->currency);
    }

    /** @throws Invalid for another currency */
    public function minus(self $other): self
    {
        return self::of($this->minor - $this->same($other)->minor, $this->currency);
    }

    public function times(int $count): self
    {
        return self::of(BigInteger::of($this->minor)->multipliedBy($count)->toInt(), $this->currency);
    }

    /**
     * @param  iterable<self>  $amounts
     *
     * @throws Invalid when one is of another currency
     */
    public static function sum(iterable $amounts, Currency $currency): self
    {
        $sum = self::zero($currency);
        foreach ($amounts as $amount) {
            $sum = $sum->plus($amount);
        }

        return $sum;
    }

    /** So many parts of so many, by the rule of rounding: `share(19, 119)` is the tax of 19 % in it. */
    public function share(int $parts, int $of): self
    {
        return self::of(BigInteger::of($this->minor)->multipliedBy($parts)->dividedBy($of, RoundingMode::HALF_UP)->toInt(),
            $this->currency);
    }

    /**
     * Shares by weight that come to the whole. Where no weight counts, all of it goes to the first.
     *
     * @param  non-empty-list<int>  $weights  none below zero
     * @return non-empty-list<self>
     */
    public function allocate(array $weights): array
    {
        $all = BigInteger::sum(...array_map(BigInteger::of(...), $weights));
        $shares = array_fill(0, count($weights), 0);
        if ($all->isZero()) {
            $shares[0] = $this->minor;
        } else {
            $left = abs($this->minor);
            $lost = [];
            foreach ($weights as $i => $weight) {
                [$share, $rest] = BigInteger::of(abs($this->minor))->multipliedBy($weight)->quotientAndRemainder($all);
                $shares[$i] = $share->toInt();
                $left -= $shares[$i];
                $lost[] = [$rest, $i];
            }
            usort($lost, fn (array $a, array $b): int => $b[0]->compareTo($a[0]) ?: $a[1] <=> $b[1]);
            foreach (array_slice($lost, 0, $left) as [, $i]) {
                $shares[$i]++;
            }
            $shares = $this->minor < 0 ? array_map(fn (int $s): int => -$s, $shares) : $shares;
        }

        return array_map(fn (int $share): self => new self($share, $this->currency), array_values($shares));
    }

    /**
     * Equal parts that come to the whole; the first are a unit larger where it does not divide.
     *
     * @param  int<1, max>  $count
     * @return non-empty-list<self>
     */
    public function split(int $count): array
    {
        return $this->allocate(array_fill(0, $count, 1));
    }

    public function isZero(): bool
    {
        return $this->minor === 0;
    }

    public function isPositive(): bool
    {
        return $this->minor > 0;
    }

    /** @throws Invalid for another currency */
    public function isLessThan(self $other): bool
    {
        return $this->minor < $this->same($other)->minor;
    }

    /** @throws Invalid for another currency */
    public function least(self $other): self
    {
        return $other->isLessThan($this) ? $other : $this;
    }

    public function equals(self $other): bool
    {
        return $this->minor === $other->minor && $this->currency->is($other->currency);
    }

    /**
     * As a reader of a language reads it, by ICU: “290 €”, “$49.50”, “¥1,200”. Decimals that are all zero are left out.
     *
     * @param  string  $language  a BCP 47 tag
     */
    public function words(string $language = 'en'): string
    {
        /** @var array<string, NumberFormatter> $formats by language: to make one takes longer than all it is used for */
        static $formats = [];
        $format = $formats[$language] ??= new NumberFormatter(Language::of($language)->plain(), NumberFormatter::CURRENCY);
        $format->setAttribute(NumberFormatter::FRACTION_DIGITS,
            $this->minor % $this->currency->units() === 0 ? 0 : $this->currency->decimals);
        // Exact: a float holds every whole number up to MOST, and the division is rounded back to the same decimals.
        $text = $format->formatCurrency($this->minor / $this->currency->units(), $this->currency->code);

        return $text === false ? "{$this->currency->code} {$this->plain()}" : $text;
    }

    public function spoken(Language $language): string
    {
        return $this->words($language->tag);
    }

    /** Digits alone, with a point: `1290.50`. For files and forms. */
    public function plain(): string
    {
        $digits = str_pad((string) abs($this->minor), $this->currency->decimals + 1, '0', STR_PAD_LEFT);
        $at = strlen($digits) - $this->currency->decimals;

        return ($this->minor < 0 ? '-' : '').substr($digits, 0, $at).($this->currency->decimals === 0 ? '' : '.'.substr($digits, $at));
    }

    private static function withoutSign(string $text, Currency $currency): string
    {
        $sign = (new NumberFormatter("en@currency={$currency->code}", NumberFormatter::CURRENCY))
            ->getSymbol(NumberFormatter::CURRENCY_SYMBOL);
        $marks = implode('|', array_map(fn (string $m): string => preg_quote($m, '/'), array_filter([$currency->code, $sign])));

        return trim((string) preg_replace(["/^(?:{$marks})/u", "/(?:{$marks})$/uD"], '', $text, 1));
    }

    private static function example(Currency $currency): string
    {
        return '290'.($currency->decimals === 0 ? '' : '.'.str_repeat('0', $currency->decimals));
    }

    private function same(self $other): self
    {
        return $this->currency->is($other->currency) ? $other
            : throw Invalid::at('currency', "{$other->currency->code} cannot be reckoned with {$this->currency->code}.");
    }
}
