<?php

declare(strict_types=1);

namespace Lantern\Core\Money;

use Lantern\Core\Support\Invalid;

/** A currency of ISO 4217, with the number of decimals that standard gives it. */
final readonly class Currency
{
    /** Active currencies of ISO 4217 by their number of decimals; funds, metals and codes for testing are left out. */
    private const CODES = [
        0 => 'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX VND VUV XAF XOF XPF',
        2 => 'AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BGN BMD BND BOB BRL BSD BTN BWP BYN BZD CAD CDF CHF CNY COP CRC CUP CVE CZK '
            .'DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GTQ GYD HKD HNL HTG HUF IDR ILS INR IRR JMD KES KGS KHR KPW KYD KZT '
            .'LAK LBP LKR LRD LSL MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MYR MZN NAD NGN NIO NOK NPR NZD PAB PEN PGK PHP PKR PLN '
            .'QAR RON RSD RUB SAR SBD SCR SDG SEK SGD SHP SLE SOS SRD SSP STN SVC SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH USD UYU UZS '
            .'VED VES WST XCD XCG YER ZAR ZMW ZWG',
        3 => 'BHD IQD JOD KWD LYD OMR TND',
    ];

    /** @param  int  $decimals  digits after the point: 0, 2 or 3 */
    private function __construct(public string $code, public int $decimals)
    {
    }

    /** @throws Invalid for a code that is not an active one of ISO 4217, in capitals */
    public static function of(string $code, string $path = 'currency'): self
    {
        foreach (self::CODES as $decimals => $codes) {
            if (strlen($code) === 3 && in_array($code, explode(' ', $codes), true)) {
                return new self($code, $decimals);
            }
        }

        throw Invalid::at($path, 'This is no currency of ISO 4217, such as EUR or USD.');
    }

    public static function isKnown(string $code): bool
    {
        foreach (self::CODES as $codes) {
            if (strlen($code) === 3 && in_array($code, explode(' ', $codes), true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> all codes, in the order of the alphabet */
    public static function codes(): array
    {
        $codes = explode(' ', implode(' ', self::CODES));
        sort($codes);

        return $codes;
    }

    /** How many of the smallest unit are one: 1, 100 or 1,000. */
    public function units(): int
    {
        return 10 ** $this->decimals;
    }

    public function is(self $other): bool
    {
        return $this->code === $other->code;
    }
}
