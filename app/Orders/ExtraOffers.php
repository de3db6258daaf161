<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Payment;
use App\Models\Version;
use App\Support\Durable;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Selling\Sale;

/** Offers after paying: one click charges the card that was just used, or says no thanks. Each offer is taken once in an order. */
final readonly class ExtraOffers
{
    public function __construct(private Events $events, private PaymentResults $results)
    {
    }

    /**
     * Takes the offer of a page, once.
     *
     * @return Payment|null what is to be asked for; null when nothing is, since it is free or paid already
     *
     * @throws NotForSale
     */
    public function accept(Order $order, PagePlan $page, Version $version): ?Payment
    {
        Durable::fromHere();

        return DB::transaction(function () use ($order, $page, $version): ?Payment {
            $plan = $version->plan();
            $offer = $plan->offerOn($page);
            $product = $offer === null ? null : $plan->product($offer->product);
            if ($offer === null || $product === null) {
                throw NotForSale::availability(Availability::Over);
            }
            $order = Order::query()->with(['funnel.business', 'person'])->findOrFail($order->id);
            $open = Payment::query()->with(['order.funnel.business', 'order.lines'])->where('order_id', $order->id)
                ->where('purpose', PaymentPurpose::Extra)->latest('id')->get()
                ->first(fn (Payment $p): bool => $order->lines()->whereIn('number', array_keys($p->lines))->where('offer_id', $offer->id)
                    ->exists());
            if ($open !== null && ($open->state->isOpen() || $open->state === PaymentState::Paid)) {
                return $open->state === PaymentState::Paid ? null : $open;
            }
            $now = CarbonImmutable::now();
            $availability = ExtraOfferSale::availability($order, $offer, $plan->deadlines, $now);
            if ($availability !== Availability::OnSale) {
                throw NotForSale::availability($availability);
            }
            $kind = $page->role === PageRole::Downsell ? LineKind::Downsell : LineKind::Upsell;
            $quote = Quote::of([Wanted::of($kind, $offer, $product)], TaxRate::of($order->business->tax_rate));
            $line = $quote->lines[0];
            if ($line->total->currency->code !== $order->currency) {
                throw NotForSale::because('', Phrase::of('offer.other_currency'));
            }
            $number = 1 + (int) OrderLine::query()->where('order_id', $order->id)->max('number');
            OrderLine::query()->create(['order_id' => $order->id, 'number' => $number, 'kind' => $kind, 'offer_id' => $offer->id,
                'product_id' => $product->id, 'name' => $line->name, 'page_id' => $page->id, 'line' => $line->toArray(),
                'total' => $line->total->minor, 'state' => LineState::Held]
                + Sold::under(Sale::under($offer->id, $plan->deadlines, ExtraOfferSale::states($order, $plan->deadlines, $now), $now)));
            $order->forceFill(['total' => $order->total + $line->total->minor])->save();
            OrderLog::add($order, FactType::LineAdded, $now, amount: $line->total->minor, lines: [$number => $line->total->minor],
                data: ['name' => $line->name, 'kind' => $kind->value]);
            if ($line->dueNow()->isZero()) {
                $this->results->bought($order, [$number], $now);

                return null;
            }
            if ($order->method === null) {
                throw NotForSale::because('', Phrase::of('offer.no_card'));
            }
            $payment = Payment::query()->create(['order_id' => $order->id, 'key' => PaymentKey::fresh(), 'number' => 1,
                'purpose' => PaymentPurpose::Extra, 'lines' => [$number => $line->dueNow()->minor], 'amount' => $line->dueNow()->minor,
                'currency' => $order->currency, 'state' => PaymentState::Asked, 'method' => $order->method, 'due_at' => $now,
                'asked_at' => $now]);
            OrderLog::add($order, FactType::PaymentAsked, $now, $payment->key, amount: $payment->amount, lines: $payment->lines);

            return $payment->load(['order.funnel.business', 'order.lines']);
        });
    }

    /** No thanks: said once for each page. */
    public function decline(Order $order, PagePlan $page, Version $version): void
    {
        DB::transaction(function () use ($order, $page, $version): void {
            $known = DB::table('events')->where('funnel_id', $order->funnel_id)->where('page_id', $page->id)
                ->where('type', EventType::Declined->value)->where('person_id', $order->person_id)
                ->where('data', 'like', '%"order":"'.$order->id.'"%')->exists();
            if (! $known) {
                $offer = $version->plan()->offerOn($page);
                $offers = $offer === null ? [] : [$offer->id];
                $now = CarbonImmutable::now();
                $fresh = Order::query()->with('version')->findOrFail($order->id);
                $this->events->take(NewEvent::ofOrder(EventType::Declined, $fresh, $page->id, $now, $offers,
                    ExtraOfferSale::closed($fresh, $fresh->version->plan(), $now), ['offers' => $offers]));
            }
        });
    }
}
