<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Payment;
use App\Payments\PaymentAnswer;
use App\Payments\ProviderState;
use App\Results\Counts;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\PaymentTrouble;

/**
 * Writes down what became of payments, and does what follows: once, whoever comes with the answer and however often it
 * comes. What follows stands in the same transaction as the answer.
 */
final readonly class PaymentResults
{
    public function __construct(
        private Events $events,
        private Accesses $accesses,
        private PaymentPlans $plans,
        private OrderMessages $messages,
        private PaidTwice $twice,
    ) {
    }

    public function settle(string $key, PaymentAnswer $answer): void
    {
        DB::transaction(function () use ($key, $answer): void {
            $payment = Payment::query()->with('order.lines')->where('key', $key)->first();
            if ($payment === null) {
                return;
            }
            $now = CarbonImmutable::now();
            if ($answer->amount !== $payment->amount || $answer->currency !== $payment->currency) {
                $this->otherAmount($payment, $answer, $now);

                return;
            }
            $to = match ($answer->state) {
                ProviderState::Paid => $answer->disputed ? PaymentState::Disputed : PaymentState::Paid,
                ProviderState::Bank => PaymentState::Bank,
                ProviderState::Failed => PaymentState::Failed,
                ProviderState::Pending => PaymentState::Asked,
            };
            if ($to === PaymentState::Disputed && $payment->state !== PaymentState::Paid && $payment->state !== PaymentState::Disputed) {
                // It was paid before it was disputed, and what follows from that comes first.
                $this->paid($payment, $answer, $now);
            }
            if ($payment->state->mayBecome($to)) {
                match ($to) {
                    PaymentState::Paid => $payment->state === PaymentState::Disputed ? $this->disputeEnded($payment, $now)
                        : $this->paid($payment, $answer, $now),
                    PaymentState::Disputed => $this->disputed($payment, $now),
                    PaymentState::Bank => $this->atBank($payment, $answer, $now),
                    PaymentState::Failed => $this->failed($payment, $answer->trouble, $now),
                    default => null,
                };
            }
        });
    }

    /** A payment that cannot be had: nobody was asked, or nobody knows of it. */
    public function giveUp(Payment $payment, PaymentTrouble $why): void
    {
        DB::transaction(function () use ($payment, $why): void {
            $fresh = Payment::query()->with('order.lines')->findOrFail($payment->id);
            if ($fresh->state->isOpen()) {
                $this->failed($fresh, $why, CarbonImmutable::now());
            }
        });
    }

    /**
     * Lines of an order are bought: its number, the rest of its plans, and what the Journey says follows. Call it within a
     * transaction.
     *
     * @param  list<int>  $numbers  of the lines
     */
    public function bought(Order $order, array $numbers, DateTimeImmutable $at): void
    {
        $lines = OrderLine::query()->where('order_id', $order->id)->whereIn('number', $numbers)->orderBy('number')->get();
        OrderLine::query()->whereIn('id', $lines->pluck('id'))->update(['state' => LineState::Bought]);
        $order->unsetRelation('lines');
        if ($order->bought_at === null) {
            $order->forceFill(['bought_at' => $at, 'number' => NumberSeries::next($order->business_id, 'orders')])->save();
            Counts::addOrder($order->id, $order->loadMissing('funnel.business')->funnel->business->zone());
            DB::table('coupon_uses')->where('order_id', $order->id)->update(['state' => 'used']);
        }
        if ($order->joined_at !== null) {
            $person = $order->person;
            $person->forceFill(['pending' => false, 'owner_try' => $person->owner_try && $order->owner])->save();
        }
        $first = $lines->first();
        if ($first === null) {
            return;
        }
        $offers = array_values($lines->pluck('offer_id')->map(fn ($id): string => (string) $id)->all());
        $order->loadMissing('version');
        $this->events->take(NewEvent::ofOrder(EventType::Bought, $order, $first->page_id, $at, $offers,
            ExtraOfferSale::closed($order, $order->version->plan(), $at),
            ['offers' => $offers, 'kinds' => $lines->map(fn (OrderLine $l): string => $l->kind->value)->all()]));
    }

    private function paid(Payment $payment, PaymentAnswer $answer, DateTimeImmutable $now): void
    {
        $order = $payment->order;
        $payment->forceFill(['state' => PaymentState::Paid, 'settled_at' => $now, 'trouble' => null, 'bank_url' => null])->save();
        // A later payment may have been asked for before its buyer filled in another card, which then stays.
        if ($answer->method !== '' && ($payment->purpose !== PaymentPurpose::Later || $answer->method === $order->method)) {
            $order->forceFill(['method' => $answer->method, 'card_ends' => $answer->cardEnds])->save();
        }
        OrderLog::add($order, FactType::Paid, $now, $payment->key, amount: $payment->amount, lines: $payment->lines);
        if (PaidTwice::isSo($payment)) {
            $this->twice->giveBack($payment, $now);

            return;
        }
        if ($payment->purpose === PaymentPurpose::Later) {
            $this->plans->paid($payment, $now);

            return;
        }
        $held = array_values($order->lines->filter(fn (OrderLine $l): bool => $payment->purpose === PaymentPurpose::First
            ? isset($payment->lines[$l->number]) || ($l->state === LineState::Held && $l->total === 0)
            : isset($payment->lines[$l->number]))->pluck('number')->map(fn ($n): int => (int) $n)->all());
        $this->bought($order, $held, $now);
        $this->plans->begin($payment, $now);
    }

    private function atBank(Payment $payment, PaymentAnswer $answer, DateTimeImmutable $now): void
    {
        $payment->forceFill(['state' => PaymentState::Bank, 'bank_url' => $answer->bankUrl])->save();
        OrderLog::add($payment->order, FactType::PaymentAtBank, $now, $payment->key, amount: $payment->amount);
        if ($payment->purpose === PaymentPurpose::Later) {
            $this->messages->askToMend($payment, $now);
        }
    }

    private function failed(Payment $payment, ?PaymentTrouble $why, DateTimeImmutable $now): void
    {
        $payment->forceFill(['state' => PaymentState::Failed, 'settled_at' => $now, 'trouble' => $why ?? PaymentTrouble::Declined,
            'bank_url' => null])
            ->save();
        if ($payment->purpose !== PaymentPurpose::Later) {
            // The places are free for others, and the coupon too.
            OrderLine::query()->where('order_id', $payment->order_id)->where('state', LineState::Held)
                ->whereIn('number', array_keys($payment->lines))->update(['state' => LineState::Failed]);
            if ($payment->purpose === PaymentPurpose::First) {
                OrderLine::query()->where('order_id', $payment->order_id)->where('state', LineState::Held)
                    ->update(['state' => LineState::Failed]);
                DB::table('coupon_uses')->where('order_id', $payment->order_id)->update(['state' => 'released']);
            }
            $payment->order->unsetRelation('lines');
        }
        OrderLog::add($payment->order, FactType::PaymentFailed, $now, $payment->key, amount: $payment->amount, data: ['why' => $why]);
        if ($payment->purpose === PaymentPurpose::Later) {
            $this->plans->failed($payment, $now);
        }
        OrderEvents::take($this->events, EventType::PaymentFailed, $payment->order, array_map(intval(...), array_keys($payment->lines)),
            $now,
            ['payment' => $payment->key]);
    }

    private function disputed(Payment $payment, DateTimeImmutable $now): void
    {
        $payment->forceFill(['state' => PaymentState::Disputed])->save();
        OrderLog::add($payment->order, FactType::Disputed, $now, $payment->key, amount: $payment->amount);
        $this->accesses->pause($payment->order, $now, 'The payment is disputed.');
        $this->messages->tellOwner('trouble', "disputed:{$payment->key}", $payment->order, $now);
    }

    private function disputeEnded(Payment $payment, DateTimeImmutable $now): void
    {
        $payment->forceFill(['state' => PaymentState::Paid])->save();
        OrderLog::add($payment->order, FactType::DisputeEnded, $now, $payment->key);
        if (! $payment->order->arrears) {
            $this->accesses->resume($payment->order, $now);
        }
    }

    /** A provider that charged something else than it was asked for is not believed; the owner is told. */
    private function otherAmount(Payment $payment, PaymentAnswer $answer, DateTimeImmutable $now): void
    {
        $said = "{$answer->amount} {$answer->currency}";
        $known = DB::table('order_facts')->where('order_id', $payment->order_id)->where('type', FactType::Noted->value)
            ->where('payment_key', $payment->key)->exists();
        if (! $known) {
            OrderLog::add($payment->order, FactType::Noted, $now, $payment->key, data: ['words' => "The provider says {$said} of this "
                ."payment, and {$payment->amount} {$payment->currency} was asked for. It is left as it is: look into it with them."]);
            $this->messages->tellOwner('trouble', "amount:{$payment->key}", $payment->order, $now);
        }
    }
}
