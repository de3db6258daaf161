<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Business;
use App\Models\Person;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\OrderBump;
use Lantern\Core\Offers\PriceKind;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Support\Invalid;

/** A checkout as it was filled in: read field by field, with one phrase for each that is wrong. Prices come from the plan alone. */
final class Checkout
{
    /** @var array<string, Phrase> by field; `form` for the whole, `card` for the card fields */
    public array $errors = [];

    public ?Quote $quote = null;

    public ?Coupon $coupon = null;

    public string $code = '';

    public ?EmailAddress $email = null;

    public string $name = '';

    /** Did a code that was typed hold for nothing? Guessing is slowed down. */
    public bool $wrongCode = false;

    /** @param  array<array-key, mixed>  $typed */
    private function __construct(private readonly Plan $plan, private readonly Business $business, private readonly array $typed,
        private readonly CarbonImmutable $now)
    {
    }

    /**
     * @param  array<array-key, mixed>  $typed
     * @param  Person|null  $known  who fills it in, where that is certain
     */
    public static function read(
        Plan $plan,
        Offer $offer,
        Business $business,
        array $typed,
        CarbonImmutable $now,
        ?Person $known = null,
    ): self {
        $read = new self($plan, $business, $typed, $now);
        $read->person();
        $read->price($offer, $known);

        return $read;
    }

    /** When the checkout was shown that this was filled in on, as it says under seal. */
    public function shownAt(): ?CarbonImmutable
    {
        return ShownPrices::read($this->typed['shown'] ?? null)?->since;
    }

    private function text(string $name, int $max): string
    {
        $value = $this->typed[$name] ?? '';
        if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8')) {
            return '';
        }
        if (mb_strlen($value) > $max) {
            $this->errors[$name] = Phrase::of('checkout.too_long', ['most' => $max]);

            return '';
        }

        return trim((string) preg_replace('/[\p{Cc}\s]+/u', ' ', $value));
    }

    private function person(): void
    {
        $this->name = $this->text('name', 200);
        $typed = $this->text('email', 254);
        if ($typed === '' && ! isset($this->errors['email'])) {
            $this->errors['email'] = Phrase::of('checkout.no_email');
        } elseif ($typed !== '') {
            try {
                $this->email = EmailAddress::of($typed);
            } catch (Invalid $e) {
                $this->errors['email'] = $e->said ?? throw $e;
            }
        }
    }

    private function price(Offer $offer, ?Person $known): void
    {
        if (($this->typed['offer'] ?? $offer->id) !== $offer->id) {
            $this->errors['form'] = Phrase::of('checkout.changed');
        }
        try {
            $wanted = [$this->wanted(LineKind::Main, $offer)];
            foreach ($this->bumps($offer) as $bump) {
                $wanted[] = $this->wanted(LineKind::Bump, $bump);
            }
            $this->coupon = $this->couponFor($wanted, $known);
            $this->quote = Quote::of($wanted, TaxRate::of($this->business->tax_rate), $this->coupon);
        } catch (Invalid $e) {
            $this->errors[$e->path] = $e->said ?? throw $e;
        }
        $this->changes($offer);
    }

    private function wanted(LineKind $kind, Offer $offer): Wanted
    {
        $product = $this->plan->product($offer->product) ?? throw Invalid::said('form', Phrase::of('offer.gone'));
        $shown = $this->asShown($offer);
        $text = $shown->price->kind === PriceKind::Named ? $this->text('amount', 40) : '';

        return Wanted::of($kind, $shown, $product, $text === '' ? null : Money::typed($text, $shown->price->currency()));
    }

    /** @return list<Offer> the bumps of the offer that were ticked */
    private function bumps(Offer $offer): array
    {
        $ticked = $this->typed['bump'] ?? [];
        $ticked = is_array($ticked) ? $ticked : [];
        $bumps = array_filter($offer->bumps, fn (OrderBump $b): bool => in_array($b->offer, $ticked, true));

        return array_values(array_filter(array_map(fn (OrderBump $b): ?Offer => $this->plan->offer($b->offer), $bumps)));
    }

    /** @param  list<Wanted>  $wanted */
    private function couponFor(array $wanted, ?Person $known): ?Coupon
    {
        $this->code = Coupon::normal($this->text('coupon', 60));
        if ($this->code === '') {
            return null;
        }
        $coupon = $this->couponOf($this->code);
        if ($coupon === null) {
            $this->wrongCode = true;
            throw Invalid::said('coupon', Phrase::of('coupon.none'));
        }
        [$used, $byPerson] = Sold::uses($coupon->id, $known);
        $refusal = $coupon->refusal($this->now, $this->business->zone(), array_map(fn (Wanted $w): string => $w->offer->id, $wanted), $used,
            $byPerson);
        if ($refusal === null && $coupon->code !== $this->code && Sold::isCodeUsed($coupon->id, $this->code)) {
            $refusal = Phrase::of('coupon.used');
        }
        if ($refusal !== null) {
            throw Invalid::said('coupon', $refusal);
        }

        return $coupon;
    }

    private function couponOf(string $code): ?Coupon
    {
        foreach ($this->plan->coupons as $coupon) {
            if ($coupon->code !== '' && hash_equals($coupon->code, $code)) {
                return $coupon;
            }
        }
        $id = DB::table('coupon_codes')->where('business_id', $this->business->id)->where('code', $code)->value('coupon_id');
        foreach ($this->plan->coupons as $coupon) {
            if ($coupon->id === $id) {
                return $coupon;
            }
        }

        return null;
    }

    /** The offer at the price that holds for this buyer. */
    private function asShown(Offer $offer): Offer
    {
        $shown = ShownPrices::read($this->typed['shown'] ?? null);

        return Sale::atPriceOf($offer, $shown?->priceOf($offer->id), $shown?->at, $this->now);
    }

    /** Whoever saw another price than the one that holds is asked once more. */
    private function changes(Offer $offer): void
    {
        $shown = ShownPrices::read($this->typed['shown'] ?? null);
        foreach ([$offer, ...$this->bumps($offer)] as $now) {
            $was = $shown?->priceOf($now->id);
            $holds = $this->asShown($now)->price;
            if ($was !== null && (! $was->currency()->is($holds->currency()) || $was->total()->isLessThan($holds->total()))) {
                $this->errors['form'] = Phrase::of('checkout.price_changed', ['price' => $holds->phrase()]);
            }
        }
    }
}
