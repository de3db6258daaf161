<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\OwnerLocale;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\OrderBump;
use Lantern\Core\Offers\Price;
use Lantern\Core\Offers\PriceKind;
use Lantern\Core\Offers\Product;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;

final class OfferKind extends DraftKind
{
    public function part(): string
    {
        return Offer::class;
    }

    public function list(): string
    {
        return 'offers';
    }

    public function typed(): array
    {
        return ['name', 'product', 'price', 'places', 'oncePerPerson', 'from', 'until', 'bumps'];
    }

    protected function check(DraftPart $row, Part $part): void
    {
        $there = $row->funnel->parts()->pluck('id')->all();
        if ($part instanceof Offer && ! in_array($part->product, $there, true)) {
            throw Invalid::at('product', 'This product is not in this funnel any more. Please choose another one.');
        }
        self::speaksOfItsFunnel($row, $part, 'bumps', 'This offer is not in this funnel any more. Please choose another one.');
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        $products = DraftPart::there($funnel->id, Product::kind())->get();
        $product = $products->firstWhere('id', $typed['product'] ?? '') ?? $products->first()
            ?? throw Invalid::at('product', 'Add a product first: an offer says how one is sold.');
        $name = is_string($typed['name'] ?? null) ? trim($typed['name']) : '';

        return new Offer(Ids::next(), mb_substr($name === '' ? "{$product->name}, another price" : $name, 0, 120), $product->id,
            Price::of(PriceKind::Once, Money::zero(Currency::of($funnel->sellsIn()))));
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof Offer ? [] : ['product' => $part->product,
            'price' => $part->price->toArray() + ['payments' => $part->price->payments, 'every' => $part->price->every->value,
                'taxOnTop' => $part->price->taxOnTop],
            'priceWords' => $part->price->words(OwnerLocale::now()), 'open' => $part->price->isOpen(), 'places' => $part->places,
            'oncePerPerson' => $part->oncePerPerson, 'from' => $part->window->from, 'until' => $part->window->until,
            'bumps' => array_map(fn (OrderBump $b): array => $b->toArray(), $part->bumps),
            'sold' => DB::table('order_lines')->where('offer_id', $row->id)->where('state', LineState::Bought->value)->count()];
    }
}
