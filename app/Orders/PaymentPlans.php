<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Order;
use App\Models\Payment;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Builder;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\PaymentTrouble;
use Lantern\Core\Orders\Retries;

/** The later payments of what is paid in several: planned when the first is paid, tried again where they fail, given up at last. */
final readonly class PaymentPlans
{
    public function __construct(private Accesses $accesses, private OrderMessages $messages, private Receipts $receipts)
    {
    }

    /** The first payment is paid: the others of its lines have their dates. Lines that are paid on the same day are one payment. */
    public function begin(Payment $first, DateTimeImmutable $at): void
    {
        $order = $first->order;
        $zone = $order->funnel->business->zone();
        $planned = [];
        foreach ($order->lines()->whereIn('number', array_keys($first->lines))->get() as $line) {
            $quoted = $line->quoted();
            foreach (array_slice($quoted->instalments(), 1, null, true) as $i => $amount) {
                $due = $quoted->every->due($at, $i + 1, $zone);
                $when = $due->format('Y-m-d H:i:s');
                $planned[$when] ??= [$due, $i + 1, []];
                $planned[$when][2][$line->number] = $amount->minor;
            }
        }
        foreach ($planned as [$due, $number, $lines]) {
            $lines = array_filter($lines);
            if ($lines !== []) {
                $payment = $this->plan($order, $number, 1, $lines, $due);
                OrderLog::add($order, FactType::PaymentPlanned, $at, $payment->key, amount: $payment->amount,
                    data: ['number' => $number, 'due' => $due->format('Y-m-d\TH:i:s\Z')]);
            }
        }
    }

    /** @param  array<int, int>  $lines */
    private function plan(
        Order $order,
        int $number,
        int $try,
        array $lines,
        DateTimeImmutable $due,
        ?DateTimeImmutable $firstFailed = null,
    ): Payment {
        return Payment::query()->create(['order_id' => $order->id, 'key' => PaymentKey::fresh(), 'number' => $number, 'try' => $try,
            'purpose' => PaymentPurpose::Later, 'lines' => $lines, 'amount' => array_sum($lines), 'currency' => $order->currency,
            'state' => PaymentState::Due, 'due_at' => $due, 'first_failed_at' => $firstFailed]);
    }

    /** A later payment is paid: a receipt of it, and whatever was paused goes on when nothing else is owed. */
    public function paid(Payment $payment, DateTimeImmutable $at): void
    {
        $order = $payment->order;
        // One that had failed and went through after all is not tried again.
        foreach ($this->owed($order)->where('state', PaymentState::Due)->where('number', $payment->number)->get() as $again) {
            if ($again->lines === $payment->lines) {
                $this->cancelOne($order, $again, $at);
            }
        }
        $this->receipts->ofPayment($payment, $at);
        if ($order->arrears && ! $this->owed($order)->where('first_failed_at', '!=', null)->exists()) {
            $order->forceFill(['arrears' => false])->save();
            if (! $order->payments()->where('state', PaymentState::Disputed)->exists()) {
                $this->accesses->resume($order, $at);
            }
        }
    }

    /** A later payment failed: it is tried again, and the buyer asked to see to it; after the last try access pauses. */
    public function failed(Payment $payment, DateTimeImmutable $at): void
    {
        $order = $payment->order;
        $first = $payment->first_failed_at ?? $at;
        $next = Retries::next($payment->try, $first);
        $again = $this->plan($order, $payment->number, $payment->try + 1, $payment->lines, $next ?? $at, $first);
        $this->messages->askToMend($payment, $at);
        $this->messages->tellOwner('trouble', "failed:{$payment->key}", $order, $at);
        if ($next === null) {
            // It is not tried by itself any more: a new card pays it, or the owner gives it up.
            $again->forceFill(['trouble' => PaymentTrouble::NeedsCard])->save();
            $order->forceFill(['arrears' => true])->save();
            $this->accesses->pause($order, $at, 'A payment of the plan failed.');
        }
    }

    /**
     * Payments that are not paid and will not be tried by themselves any more wait for the buyer.
     *
     * @return Builder<Payment>
     */
    public function owed(Order $order): Builder
    {
        return Payment::query()->where('order_id', $order->id)->where('purpose', PaymentPurpose::Later)
            ->whereIn('state', [PaymentState::Due, PaymentState::Asked, PaymentState::Bank]);
    }

    /**
     * The rest of a plan is not asked for any more.
     *
     * @param  list<int>|null  $lines  only of these
     */
    public function cancel(Order $order, DateTimeImmutable $at, ?array $lines = null): void
    {
        foreach ($this->owed($order)->where('state', PaymentState::Due)->get() as $payment) {
            $left = $lines === null ? [] : array_diff_key($payment->lines, array_flip($lines));
            if ($left === $payment->lines) {
                continue;
            }
            if ($left !== []) {
                $payment->forceFill(['lines' => $left, 'amount' => array_sum($left)])->save();

                continue;
            }
            $this->cancelOne($order, $payment, $at);
        }
    }

    private function cancelOne(Order $order, Payment $payment, DateTimeImmutable $at): void
    {
        $payment->forceFill(['state' => PaymentState::Cancelled, 'settled_at' => $at])->save();
        OrderLog::add($order, FactType::PaymentCancelled, $at, $payment->key, amount: $payment->amount);
    }

    /**
     * What is still to be paid of a plan, payment by payment.
     *
     * @return list<Payment>
     */
    public function upcoming(Order $order): array
    {
        return array_values($this->owed($order)->orderBy('due_at')->get()->all());
    }
}
