<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Support\Shape;

/**
 * One line of what is bought: the list price less the discount, with its tax. `total` is what is paid for it in all,
 * `net` that without its tax: `net + tax = total`, and `net` or `total` is `price − discount`, as tax is on top or within.
 */
final readonly class QuoteLine
{
    /**
     * @param  string  $offer  an id; likewise `product`
     * @param  string  $name  of the product, as the buyer reads it
     * @param  string  $offerName  the owner's name for the offer
     * @param  int  $payments  in how many it is paid
     */
    private function __construct(
        public LineKind $kind,
        public string $offer,
        public string $product,
        public string $name,
        public string $offerName,
        public Money $price,
        public Money $discount,
        public TaxRate $rate,
        public bool $taxOnTop,
        public Money $net,
        public Money $tax,
        public Money $total,
        public int $payments,
        public Interval $every,
    ) {
    }

    /** @param  Money  $price  of all payments together, or as the buyer named it */
    public static function of(LineKind $kind, Offer $offer, Product $product, Money $price, Money $discount, TaxRate $rate): self
    {
        $left = $price->minus($discount);
        $onTop = $offer->price->taxOnTop;
        $tax = $onTop ? $rate->ontop($left) : $rate->within($left);

        return new self($kind, $offer->id, $product->id, $product->name, $offer->name, $price, $discount, $rate, $onTop,
            $onTop ? $left : $left->minus($tax), $tax, $onTop ? $left->plus($tax) : $left, $offer->price->payments, $offer->price->every);
    }

    /** @throws \Lantern\Core\Support\Invalid */
    public static function fromShape(Shape $shape): self
    {
        $money = fn (string $key): Money => Money::fromShape(Shape::of(['amount' => $shape->integer($key, 0, Money::MOST),
            'currency' => $shape->text('currency', 3)]));

        return new self($shape->choice('kind', LineKind::class), $shape->text('offer', 40), $shape->text('product', 40),
            $shape->text('name', 120), $shape->text('offerName', 120), $money('price'), $money('discount'),
            TaxRate::of($shape->integer('rate', 0, 10_000)), $shape->flag('taxOnTop'), $money('net'), $money('tax'), $money('total'),
            $shape->integer('payments', 1, Price::MOST_PAYMENTS), $shape->choice('every', Interval::class));
    }

    /** @return non-empty-list<Money> what is paid for it, payment by payment */
    public function instalments(): array
    {
        return $this->total->split(max(1, $this->payments));
    }

    public function dueNow(): Money
    {
        return $this->instalments()[0];
    }

    /** @return array<string, mixed> as an order keeps it */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'offer' => $this->offer, 'product' => $this->product, 'name' => $this->name,
            'offerName' => $this->offerName, 'currency' => $this->total->currency->code, 'price' => $this->price->minor,
            'discount' => $this->discount->minor, 'rate' => $this->rate->hundredths, 'taxOnTop' => $this->taxOnTop,
            'net' => $this->net->minor, 'tax' => $this->tax->minor, 'total' => $this->total->minor, 'payments' => $this->payments,
            'every' => $this->every->value];
    }
}
