<?php

declare(strict_types=1);

namespace App\Results;

use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;

/** Money as results say it: each currency by itself, since money of several is never added up. */
final class MoneyWords
{
    /**
     * @param  array<string, int>  $money  in smallest units, by currency
     * @return string '' where there is none
     */
    public static function all(array $money, string $locale): string
    {
        $words = [];
        foreach ($money as $currency => $minor) {
            $words[] = self::one($minor, (string) $currency, $locale);
        }

        return implode(' + ', $words);
    }

    public static function one(int $minor, string $currency, string $locale): string
    {
        return Money::of($minor, Currency::of($currency))->words($locale);
    }
}
