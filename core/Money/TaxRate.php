<?php

declare(strict_types=1);

namespace Lantern\Core\Money;

use Lantern\Core\Support\Invalid;

/** A rate of tax, in hundredths of a percent: 1900 are 19 %. */
final readonly class TaxRate
{
    private function __construct(public int $hundredths)
    {
    }

    /** @throws Invalid unless it is from nothing to one hundred percent */
    public static function of(int $hundredths, string $path = 'tax'): self
    {
        return $hundredths < 0 || $hundredths > 10_000
            ? throw Invalid::at($path, 'A rate of tax is between 0 and 100 percent.')
            : new self($hundredths);
    }

    /**
     * A rate as somebody types it: `19`, `7.7` or `8,25`.
     *
     * @throws Invalid for anything else
     */
    public static function typed(string $text, string $path = 'tax'): self
    {
        if (preg_match('/^(\d{1,3})(?:[.,](\d{1,2}))?\s*%?$/D', trim($text), $m) !== 1) {
            throw Invalid::at($path, 'A rate of tax is written like 19 or 7.7.');
        }

        return self::of((int) $m[1] * 100 + (int) str_pad($m[2] ?? '', 2, '0'), $path);
    }

    /** The tax that is in an amount. */
    public function within(Money $amount): Money
    {
        return $amount->share($this->hundredths, 10_000 + $this->hundredths);
    }

    /** The tax that comes on top of an amount. */
    public function ontop(Money $amount): Money
    {
        return $amount->share($this->hundredths, 10_000);
    }

    public function isNone(): bool
    {
        return $this->hundredths === 0;
    }

    /** Such as "19 %" or "7.7 %". */
    public function words(): string
    {
        return $this->plain().' %';
    }

    public function plain(): string
    {
        return rtrim(rtrim(sprintf('%d.%02d', intdiv($this->hundredths, 100), $this->hundredths % 100), '0'), '.');
    }
}
