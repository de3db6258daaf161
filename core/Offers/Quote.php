<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Support\Invalid;

/** What a purchase comes to: its lines, what the coupon takes off, tax, the whole, and what is paid now. */
final readonly class Quote
{
    /** @param  non-empty-list<QuoteLine>  $lines */
    private function __construct(public array $lines, public Currency $currency, public ?Coupon $coupon)
    {
    }

    /**
     * A coupon falls on the lines it holds for: percent on each by the rule of rounding, an amount over all of them by
     * their prices, and never more than they cost. Tax is reckoned line by line, after the coupon.
     *
     * @param  non-empty-list<Wanted>  $wanted  the main offer first
     * @param  Coupon|null  $coupon  that holds now
     *
     * @throws Invalid when the offers, or the coupon's amount, are in different currencies
     */
    public static function of(array $wanted, TaxRate $rate, ?Coupon $coupon = null): self
    {
        $currency = $wanted[0]->offer->price->currency();
        $prices = array_map(fn (Wanted $w): Money => $w->price(), $wanted);
        // Refuses what is in another currency.
        Money::sum($prices, $currency);
        $discounts = array_map(fn (): Money => Money::zero($currency), $prices);
        $holds = array_keys(array_filter($wanted, fn (Wanted $w): bool => $coupon !== null && $coupon->holdsFor($w->offer->id)));
        if ($coupon !== null && $holds !== []) {
            if ($coupon->amount === null) {
                foreach ($holds as $i) {
                    $discounts[$i] = $prices[$i]->share($coupon->percent, 100);
                }
            } else {
                $base = array_map(fn (int $i): Money => $prices[$i], $holds);
                $off = $coupon->amount->least(Money::sum($base, $currency));
                foreach ($off->allocate(array_map(fn (Money $m): int => $m->minor, $base)) as $n => $share) {
                    $discounts[$holds[$n]] = $share;
                }
            }
        }

        return new self(array_map(
            fn (Wanted $w, Money $price, Money $discount): QuoteLine => QuoteLine::of($w->kind, $w->offer, $w->product, $price, $discount,
                $rate),
            $wanted, $prices, $discounts,
        ), $currency, $holds === [] ? null : $coupon);
    }

    public function total(): Money
    {
        return Money::sum(array_map(fn (QuoteLine $l): Money => $l->total, $this->lines), $this->currency);
    }

    public function tax(): Money
    {
        return Money::sum(array_map(fn (QuoteLine $l): Money => $l->tax, $this->lines), $this->currency);
    }

    public function discount(): Money
    {
        return Money::sum(array_map(fn (QuoteLine $l): Money => $l->discount, $this->lines), $this->currency);
    }

    public function dueNow(): Money
    {
        return Money::sum(array_map(fn (QuoteLine $l): Money => $l->dueNow(), $this->lines), $this->currency);
    }

    /** Is there anything to pay later? */
    public function hasPlan(): bool
    {
        return $this->total()->minor !== $this->dueNow()->minor;
    }

    /** @return list<string> ids of the offers */
    public function offers(): array
    {
        return array_map(fn (QuoteLine $l): string => $l->offer, $this->lines);
    }
}
