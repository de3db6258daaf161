<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\PriceKind;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;

/** What stands between the offers of a funnel and their buyers. */
final class OfferCheck
{
    /** @return list<Finding> */
    public static function of(Plan $plan): array
    {
        $findings = [];
        foreach ($plan->offers as $offer) {
            array_push($findings, ...self::offer($plan, $offer));
        }
        foreach ($plan->coupons as $coupon) {
            if ($coupon->amount !== null && $coupon->amount->currency->code !== $plan->currency) {
                $findings[] = new Finding('other-currency', true, "“{$coupon->name}” takes off {$coupon->amount->currency->code}, and "
                    ."this funnel sells in {$plan->currency}.", 'coupon', $coupon->id, 'Open the coupon');
            }
        }
        foreach ($plan->pages as $page) {
            array_push($findings, ...self::page($plan, $page));
        }

        return [...$findings, ...PriceCheck::of($plan)];
    }

    /** @return list<Finding> */
    private static function offer(Plan $plan, Offer $offer): array
    {
        if (! self::isUsed($plan, $offer)) {
            return [];
        }
        $findings = [];
        $add = function (string $code, bool $blocks, string $message, string $open, string $id) use (&$findings): void {
            $findings[] = new Finding($code, $blocks, $message, $open, $id, $open === 'product' ? 'Open the product' : 'Open the offer');
        };
        if ($offer->price->isOpen()) {
            $add('no-price', true, "“{$offer->name}” has no price yet.", 'offer', $offer->id);
        }
        if ($offer->price->currency()->code !== $plan->currency) {
            $add('other-currency', true, "“{$offer->name}” is priced in {$offer->price->currency()->code}, and this funnel sells in "
                ."{$plan->currency}.", 'offer', $offer->id);
        }
        $product = $plan->product($offer->product);
        if ($product === null) {
            $add('no-product', true, "“{$offer->name}” sells a product that is gone.", 'offer', $offer->id);
        } elseif (! $product->delivers()) {
            $add('delivers-nothing', true, "“{$product->name}” delivers nothing: no file, page, address, tag or sequence.", 'product',
                $product->id);
        } elseif (! $product->opensAnything() && $product->sequence === null) {
            $add('opens-nothing', false, "“{$product->name}” gives its buyers nothing to open: no file, page, address or email. They "
                .'only get a tag, so you have to see to the rest yourself.', 'product', $product->id);
        }
        if ($product !== null && $product->sequence !== null && $plan->sequence($product->sequence) === null) {
            $add('product-gone', true, "“{$product->name}” starts a sequence that is gone.", 'product', $product->id);
        }
        if ($product !== null && $product->page !== null && $plan->page($product->page) === null) {
            $add('product-gone', true, "“{$product->name}” opens a page that is gone.", 'product', $product->id);
        }
        if ($product !== null && $product->page !== null && $plan->entry()?->id === $product->page) {
            $add('entry-guarded', true, "“{$product->name}” opens the first page of the funnel, which everybody must be able to see.",
                'product', $product->id);
        }
        if ($offer->places === 0) {
            $add('no-places', true, "“{$offer->name}” has no places to sell.", 'offer', $offer->id);
        }
        foreach ($offer->bumps as $bump) {
            $other = $plan->offer($bump->offer);
            if ($other === null) {
                $add('bump-gone', false, "An order bump of “{$offer->name}” is gone; the checkout leaves it out.", 'offer', $offer->id);
            } elseif ($other->price->kind === PriceKind::Named) {
                $add('bump-named', true, "“{$other->name}” cannot be an order bump: its buyer names the amount.", 'offer', $offer->id);
            }
        }

        return $findings;
    }

    /** Does anything sell it? */
    private static function isUsed(Plan $plan, Offer $offer): bool
    {
        foreach ($plan->pages as $page) {
            if (in_array($offer->id, $page->document->references(), true)) {
                return true;
            }
        }
        foreach ($plan->offers as $other) {
            if (in_array($offer->id, $other->references(), true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Finding> */
    private static function page(Plan $plan, PagePlan $page): array
    {
        $findings = [];
        $add = function (string $code, bool $blocks, string $message, string $place = '') use (&$findings, $page): void {
            $findings[] = new Finding($code, $blocks, $message, 'page', $page->id, 'Show me', $place);
        };
        $checkouts = $page->document->blocksOf(BlockKind::Checkout);
        if ($page->role === PageRole::Checkout && $checkouts === []) {
            $add('no-checkout', true, "“{$page->name}” has no checkout, so nothing can be bought there.");
        }
        if (count($checkouts) > 1) {
            $add('two-checkouts', true, "“{$page->name}” has two checkouts. One page sells one offer.", $checkouts[1]->id);
        }
        foreach ($checkouts as $block) {
            if ($plan->offer($block->field('offer')) === null) {
                $add('no-offer', true, "The checkout on “{$page->name}” sells nothing yet. Choose its offer.", $block->id);
            }
        }
        $prices = $page->document->blocksOf(BlockKind::Price);
        if ($page->role->isExtraOffer()) {
            if ($plan->offers !== [] && $plan->offerOn($page) === null) {
                $add('no-offer', true, "“{$page->name}” sells nothing yet. Choose the offer of its price card.", $prices[0]->id ?? '');
            }
            if ($plan->offerOn($page)?->price->kind === PriceKind::Named) {
                $add('extra-named', true, "“{$page->name}” sells with one click, so its buyer cannot name the amount.",
                    $prices[0]->id ?? '');
            }
            if ($plan->offerOn($page) !== null && ! isset(self::reachedByBuyers($plan)[$page->id])) {
                $add('not-for-buyers', false, "No buyer comes to “{$page->name}”: no way from a checkout leads there, and nobody else "
                    .'can buy on it.');
            }
        }
        if ($page->role === PageRole::Sales) {
            foreach ($prices as $block) {
                $offer = $plan->offer($block->field('offer'));
                if ($offer !== null && ! self::leadsToCheckout($plan, $page, $offer)) {
                    $add('no-way-to-buy', true, "“{$offer->name}” stands on “{$page->name}”, and no button there leads to its "
                        .'checkout.', $block->id);
                }
            }
        }

        return $findings;
    }

    /** Is the offer's checkout on the page itself, or where its button leads? */
    private static function leadsToCheckout(Plan $plan, PagePlan $page, Offer $offer): bool
    {
        $sells = fn (?PagePlan $p): bool => $p !== null && $plan->offerOn($p)?->id === $offer->id && ! $p->role->isExtraOffer();
        $way = $plan->way($page->id, Outcome::Chose);
        if ($sells($page) || ($way !== null && ($way->toUrl !== null || $sells($plan->page((string) $way->toPage))))) {
            return true;
        }
        foreach ($page->document->pages() as $linked) {
            if ($sells($plan->page($linked))) {
                return true;
            }
        }

        // Bought elsewhere, by an outside address.
        return $plan->way($page->id, Outcome::Bought)?->toUrl !== null;
    }

    /** @return array<string, true> ids of the pages that somebody comes to who has just bought */
    private static function reachedByBuyers(Plan $plan): array
    {
        $reached = [];
        $next = [];
        foreach ($plan->pages as $page) {
            if ($plan->offerOn($page) !== null && ! $page->role->isExtraOffer()) {
                $next[] = $plan->way($page->id, Outcome::Bought)?->toPage;
            }
        }
        while ($next !== []) {
            $id = array_shift($next);
            $page = $id === null ? null : $plan->page($id);
            if ($page === null || isset($reached[$page->id])) {
                continue;
            }
            $reached[$page->id] = true;
            array_push($next, $plan->way($page->id, Outcome::Bought)?->toPage, $plan->way($page->id, Outcome::Declined)?->toPage,
                ...$page->document->pages());
        }

        return $reached;
    }
}
