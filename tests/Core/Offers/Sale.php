<?php

declare(strict_types=1);

namespace Tests\Core\Offers;

use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\Support\Shape;

/** Offers to test with. */
final class Sale
{
    public static function euros(int $cents): Money
    {
        return Money::of($cents, Currency::of('EUR'));
    }

    /** @param  array<string, mixed>  $more */
    public static function offer(int $amount, array $more = [], string $id = 'offer'): Offer
    {
        $price = ['kind' => 'once', 'amount' => $amount, 'currency' => 'EUR'];

        return Offer::fromShape(Shape::of(['price' => ($more['price'] ?? []) + $price] + $more
            + ['id' => $id, 'name' => "Private {$id}", 'product' => "product-{$id}"]));
    }

    /** @param  array<string, mixed>  $more */
    public static function wanted(int $amount, array $more = [], string $id = 'offer', LineKind $kind = LineKind::Main): Wanted
    {
        return Wanted::of($kind, self::offer($amount, $more, $id), new Product("product-{$id}", "Name of {$id}"),
            ($more['price']['kind'] ?? '') === 'named' ? self::euros($amount) : null);
    }
}
