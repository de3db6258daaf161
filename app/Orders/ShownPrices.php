<?php

declare(strict_types=1);

namespace App\Orders;

use Carbon\CarbonImmutable;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Price;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** The prices that a checkout showed, and when: sealed, so that they come back as they went out. */
final readonly class ShownPrices
{
    /**
     * @param  array<string, Price>  $prices  by offer
     * @param  CarbonImmutable  $since  when the checkout was first shown, before it was shown again with what was wrong with it
     */
    private function __construct(private array $prices, public CarbonImmutable $at, public CarbonImmutable $since)
    {
    }

    /**
     * @param  list<Offer>  $offers
     * @param  self|null  $before  what came back with the checkout, where it is shown again
     */
    public static function issue(array $offers, ?self $before = null): string
    {
        $now = CarbonImmutable::now()->getTimestamp();
        $body = base64_encode(json_encode(['at' => $now, 'since' => $before?->since->getTimestamp() ?? $now,
            'prices' => array_column(array_map(
                fn (Offer $o): array => [$o->id, $o->price->toArray()], $offers), 1, 0)], JSON_THROW_ON_ERROR));

        return $body.'.'.PayLinks::seal("shown|{$body}");
    }

    /** @return self|null nothing where it is not ours */
    public static function read(mixed $shown): ?self
    {
        [$body, $seal] = is_string($shown) ? [...explode('.', $shown, 2), ''] : ['', ''];
        if ($body === '' || ! PayLinks::holds($seal, "shown|{$body}")) {
            return null;
        }
        try {
            $shape = Shape::of(json_decode((string) base64_decode($body, true), true));
            $prices = [];
            foreach (array_keys($shape->group('prices')->all()) as $offer) {
                $prices[(string) $offer] = Price::fromShape($shape->group('prices')->group((string) $offer));
            }

            $at = $shape->integer('at', 0, PHP_INT_MAX);

            return new self($prices, CarbonImmutable::createFromTimestamp($at),
                CarbonImmutable::createFromTimestamp($shape->integer('since', 0, PHP_INT_MAX, $at)));
        } catch (Invalid) {
            return null;
        }
    }

    public function priceOf(string $offer): ?Price
    {
        return $this->prices[$offer] ?? null;
    }
}
