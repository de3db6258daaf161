<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Languages\Phrase;
use Lantern\Core\Money\Money;
use Lantern\Core\Support\Invalid;

/** An offer that somebody wants to buy, at the price that holds for them. */
final readonly class Wanted
{
    /** @param  Money|null  $named  the amount they named, where the offer leaves it to them */
    private function __construct(public LineKind $kind, public Offer $offer, public Product $product, public ?Money $named)
    {
    }

    /** @throws Invalid when the amount that was named is missing, too little, or in another currency */
    public static function of(LineKind $kind, Offer $offer, Product $product, ?Money $named = null): self
    {
        if ($offer->price->kind !== PriceKind::Named) {
            return new self($kind, $offer, $product, null);
        }
        if ($named === null) {
            throw Invalid::said('amount', Phrase::of('checkout.no_amount'));
        }
        if ($named->isLessThan($offer->price->amount)) {
            throw Invalid::said('amount', Phrase::of('checkout.least', ['amount' => $offer->price->amount]));
        }

        return new self($kind, $offer, $product, $named);
    }

    /** Before any discount, of all payments together, and without tax that comes on top. */
    public function price(): Money
    {
        return $this->named ?? $this->offer->price->total();
    }
}
