<?php

declare(strict_types=1);

namespace App\Orders;

use App\Deadlines\States;
use App\Deadlines\VisitorIdentity;
use App\Journey\Origin;
use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Payment;
use App\Models\Person;
use App\Models\Submission;
use App\People\Consent\Suppressions;
use App\Records\PersonLookup;
use App\Support\Durable;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\QuoteLine;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\People\TypedAddress;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Selling\SaleFacts;

/**
 * Places an order: places and coupon are taken, and the payment has its key, in one transaction, before the provider is
 * asked for anything. A checkout that is sent again is the order it was before.
 */
final readonly class PlaceOrder
{
    public function __construct(private PaymentResults $results)
    {
    }

    /** @throws NotForSale */
    public function place(Attempt $attempt): Order
    {
        Durable::fromHere();

        return DB::transaction(function () use ($attempt): Order {
            $before = Order::query()->with(['lines', 'payments', 'funnel.business'])->where('token', $attempt->token)->first();
            if ($before !== null && $before->state !== OrderState::Failed) {
                return $before;
            }
            $person = $this->person($attempt);
            $underWay = $this->underWay($attempt, $person);
            if ($underWay !== null) {
                return $underWay;
            }
            $states = self::deadlines($attempt, $person);
            $this->check($attempt, $person, $before?->id, $states);
            $order = $this->order($attempt, $person, $before);
            $lines = $this->lines($order, $attempt, $states);
            $this->holdCoupon($order, $attempt);
            OrderLog::add($order, FactType::Placed, $attempt->at, amount: $attempt->quote->total()->minor,
                lines: array_map(fn (QuoteLine $l): int => $l->total->minor, $lines),
                data: array_filter(['coupon' => $attempt->coupon === null ? '' : $attempt->code]));
            $due = array_filter(array_map(fn (QuoteLine $l): int => $l->dueNow()->minor, $lines));
            if ($due === []) {
                $this->results->bought($order, array_keys($lines), $attempt->at);
            } else {
                $this->ask($order, $due, $attempt);
            }

            return $order->load('payments');
        });
    }

    /**
     * The first payment, or the first after one that failed.
     *
     * @param  array<int, int>  $due  by the line's number
     */
    private function ask(Order $order, array $due, Attempt $attempt): void
    {
        $try = 1 + Payment::query()->where('order_id', $order->id)->where('purpose', PaymentPurpose::First)->count();
        $payment = Payment::query()->create(['order_id' => $order->id, 'key' => PaymentKey::fresh(), 'number' => 1, 'try' => $try,
            'purpose' => PaymentPurpose::First, 'lines' => $due, 'amount' => array_sum($due), 'currency' => $order->currency,
            'state' => PaymentState::Asked, 'method' => $attempt->method, 'due_at' => $attempt->at, 'asked_at' => $attempt->at]);
        OrderLog::add($order, FactType::PaymentAsked, $attempt->at, $payment->key, amount: $payment->amount, lines: $payment->lines);
    }

    /** The same person in the same browser, with a payment for the same under way: in another tab. */
    private function underWay(Attempt $attempt, Person $person): ?Order
    {
        $main = $attempt->version->plan()->offer($attempt->quote->lines[0]->offer);
        if ($attempt->visitor === null || $main === null || ! $main->oncePerPerson) {
            return null;
        }

        return Order::query()->with(['lines', 'payments'])->where('person_id', $person->id)->where('visitor', $attempt->visitor)
            ->whereIn('state', [OrderState::Open, OrderState::Waiting])
            ->whereHas('lines', fn ($q) => $q->where('offer_id', $main->id)->where('state', LineState::Held))->first();
    }

    /**
     * How deadlines stand for the buyer: whoever's browser it is, and whoever's address was typed. The earliest start of them all
     * holds.
     *
     * @return DeadlineStates|null nothing for the owner, who tries it out
     */
    private static function deadlines(Attempt $attempt, Person $person): ?DeadlineStates
    {
        $deadlines = $attempt->version->plan()->deadlines;
        if ($deadlines === [] || $attempt->owner) {
            return null;
        }
        $browser = VisitorIdentity::personOf($attempt->visitor);

        return States::of($deadlines, new VisitorIdentity(VisitorIdentity::ofMailboxes(array_values(array_filter([$person->id, $browser],
            is_string(...)))),
            $attempt->visitor, (string) $attempt->ip, PersonLookup::zone($person)), CarbonImmutable::instance($attempt->at));
    }

    /** @throws NotForSale */
    private function check(Attempt $attempt, Person $person, ?string $except, ?DeadlineStates $states): void
    {
        $plan = $attempt->version->plan();
        $zone = $attempt->funnel->business->zone();
        foreach ($attempt->quote->lines as $i => $line) {
            $offer = $plan->offer($line->offer);
            $availability = $offer === null ? Availability::Over : Sale::availability($offer, new SaleFacts($zone,
                Sold::taken($offer->id, $except), Sold::has($person, $offer->id, $except), $plan->deadlines, $states, $attempt->shownAt),
                $attempt->at);
            if ($availability !== Availability::OnSale) {
                throw $i === 0 ? NotForSale::availability($availability)
                    : NotForSale::because("bump-{$line->offer}", Phrase::of('offer.of',
                        ['name' => $line->name, 'why' => $availability->sentence()]));
            }
        }
        if ($attempt->coupon !== null) {
            [$used, $byPerson] = Sold::uses($attempt->coupon->id, $person, $except);
            $refusal = $attempt->coupon->refusal($attempt->at, $zone, $attempt->quote->offers(), $used, $byPerson)
                ?? ($attempt->coupon->code !== $attempt->code && Sold::isCodeUsed($attempt->coupon->id, $attempt->code, $except)
                    ? Phrase::of('coupon.used') : null);
            if ($refusal !== null) {
                throw NotForSale::because('coupon', $refusal);
            }
        }
    }

    private function order(Attempt $attempt, Person $person, ?Order $before): Order
    {
        $joins = self::isTheirs($attempt, $person);
        $values = ['business_id' => $attempt->funnel->business_id, 'funnel_id' => $attempt->funnel->id,
            'version_id' => $attempt->version->id, 'page_id' => $attempt->page->id, 'person_id' => $person->id, 'token' => $attempt->token,
            'currency' => $attempt->quote->currency->code, 'language' => $attempt->version->plan()->languageOf($attempt->page),
            'email' => $attempt->email->display, 'name' => $attempt->name, 'total' => $attempt->quote->total()->minor,
            'coupon_id' => $attempt->coupon?->id, 'coupon_code' => $attempt->coupon === null ? null : $attempt->code,
            'visitor' => $attempt->visitor, 'source' => $attempt->source, 'ip' => $attempt->ip, 'owner' => $attempt->owner,
            'joined_at' => $before->joined_at ?? ($joins ? $attempt->at : null)]
            + Origin::look($attempt->funnel->business_id, $attempt->visitor, $joins ? $person->id : null, (string) $attempt->source)
                ->toArray();
        if ($before === null) {
            return Order::query()->create($values + ['placed_at' => $attempt->at]);
        }
        // After a payment that failed, the buyer may have changed their mind about anything.
        OrderLine::query()->where('order_id', $before->id)->update(['state' => LineState::Failed]);
        DB::table('coupon_uses')->where('order_id', $before->id)->delete();
        $before->forceFill($values)->save();

        return $before;
    }

    /** @return array<int, QuoteLine> by the line's number */
    private function lines(Order $order, Attempt $attempt, ?DeadlineStates $states): array
    {
        $number = (int) OrderLine::query()->where('order_id', $order->id)->max('number');
        $lines = [];
        foreach ($attempt->quote->lines as $line) {
            $lines[++$number] = $line;
            OrderLine::query()->create(['order_id' => $order->id, 'number' => $number, 'kind' => $line->kind, 'offer_id' => $line->offer,
                'product_id' => $line->product, 'name' => $line->name, 'page_id' => $attempt->page->id, 'line' => $line->toArray(),
                'total' => $line->total->minor, 'state' => LineState::Held] + ($states === null ? []
                    : Sold::under(Sale::under($line->offer, $attempt->version->plan()->deadlines, $states, $attempt->at))));
        }
        $order->unsetRelation('lines');

        return $lines;
    }

    private function holdCoupon(Order $order, Attempt $attempt): void
    {
        if ($attempt->coupon !== null) {
            DB::table('coupon_uses')->insert(['coupon_id' => $attempt->coupon->id, 'code' => $attempt->code, 'order_id' => $order->id,
                'person_id' => $order->person_id, 'state' => 'held']);
        }
    }

    /** Whoever has ordered and never paid, and has joined nothing, is not known yet. */
    private static function isTheirs(Attempt $attempt, Person $person): bool
    {
        $isKnown = ! $person->wasRecentlyCreated
            && ! ($person->pending && Submission::query()->where('person_id', $person->id)->doesntExist());

        return TypedAddress::isTheirs($isKnown, $attempt->proven?->has($attempt->email->key) ?? false,
            $attempt->owner && $person->owner_try);
    }

    /** Whoever buys is a person on the list, from when they have paid. What is known of somebody is not changed by what is typed here. */
    private function person(Attempt $attempt): Person
    {
        $business = $attempt->funnel->business_id;
        $person = Person::query()->where('business_id', $business)->where('email_key', $attempt->email->key)->first();
        if ($person !== null) {
            return $person;
        }
        [$first, $last] = [...explode(' ', $attempt->name, 2), ''];
        $why = Suppressions::why($business, $attempt->email->display);

        return Person::query()->create(['id' => Ids::next(), 'business_id' => $business, 'email' => $attempt->email->display,
            'email_key' => $attempt->email->key, 'timezone' => $attempt->zone,
            'language' => $attempt->version->plan()->languageOf($attempt->page), 'first_name' => mb_substr($first, 0, 100),
            'last_name' => mb_substr(trim($last), 0, 100), 'joined_at' => $attempt->at, 'owner_try' => $attempt->owner, 'pending' => true,
            'marketing' => $attempt->marketing ?? false, 'suppressed' => $why === 'unsubscribed' ? null : $why]);
    }
}
