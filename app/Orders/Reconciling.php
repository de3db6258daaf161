<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Payment;
use App\Models\Refund;
use App\Payments\NoAnswer;
use App\Payments\PaymentProvider;
use App\Support\DueWork;
use App\Support\Durable;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\OpenPayment;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\PaymentTrouble;
use Lantern\Core\Orders\RefundState;

/**
 * Finishes what is open: asks the provider by key what became of payments and refunds that nobody has answered for, and
 * charges the later payments of plans on their day. Safe to run at any time, twice at once, and to die anywhere in it.
 */
final readonly class Reconciling implements DueWork
{
    /** Whoever asked has an answer by then, or is gone. Seconds. */
    private const AFTER = 20;

    private const AT_ONCE = 200;

    public function __construct(
        private PaymentProvider $provider,
        private Payments $payments,
        private PaymentResults $results,
        private Refunding $refunding,
    ) {
    }

    public function task(): Task
    {
        return Task::Payments;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $first = fn (string $table, string $column, \BackedEnum ...$states): ?CarbonImmutable => Instant::carbon(DB::table($table)
            ->whereIn('state', $states)->when($column === 'due_at', fn ($q) => $q->whereNull('trouble'))->min($column));

        return Instant::first($first('payments', 'asked_at', PaymentState::Asked, PaymentState::Bank)?->addSeconds(self::AFTER),
            $first('refunds', 'asked_at', RefundState::Asked)?->addSeconds(self::AFTER), $first('payments', 'due_at', PaymentState::Due));
    }

    public function work(CarbonImmutable $now): int
    {
        $this->run();

        return 1;
    }

    /** @param  int  $after  seconds since a payment was asked for; tests need not wait */
    public function run(int $after = self::AFTER): void
    {
        $this->openPayments($after);
        $this->openRefunds($after);
        $this->duePayments();
    }

    private function openPayments(int $after): void
    {
        $now = CarbonImmutable::now();
        $open = Payment::query()->with(['order.funnel.business', 'order.lines'])
            ->whereIn('state', [PaymentState::Asked, PaymentState::Bank])
            ->where('asked_at', '<=', Instant::sql($now->subSeconds($after)))->orderBy('asked_at')->limit(self::AT_ONCE)->get();
        foreach ($open as $payment) {
            $this->openPayment($payment, $now);
        }
    }

    private function openPayment(Payment $payment, CarbonImmutable $now): void
    {
        try {
            $answer = $payment->state === PaymentState::Bank ? $this->provider->confirm($payment->key)
                : $this->provider->read($payment->key);
        } catch (NoAnswer) {
            return;
        }
        if ($answer !== null) {
            $this->results->settle($payment->key, $answer);
        } elseif ($payment->purpose === PaymentPurpose::Later) {
            // Whoever was to ask has died: the day of this payment has come all the same.
            $this->payments->ask($payment);
        } elseif (OpenPayment::isGivenUp($payment->asked_at, (int) config('lantern.checkout.give_up_minutes'), $now)) {
            // The provider never heard of it, and its buyer is gone.
            $this->results->giveUp($payment, PaymentTrouble::NeverAsked);
        }
    }

    private function openRefunds(int $after): void
    {
        $open = Refund::query()->with(['order', 'payment'])->where('state', RefundState::Asked)
            ->where('asked_at', '<=', Instant::sql(CarbonImmutable::now()->subSeconds($after)))->limit(self::AT_ONCE)->get();
        foreach ($open as $refund) {
            try {
                $answer = $this->provider->readRefund($refund->key);
            } catch (NoAnswer) {
                continue;
            }
            // Under the same key it is one refund, however often it is asked for.
            $answer === null ? $this->refunding->ask($refund) : $this->refunding->settle($refund->key, $answer);
        }
    }

    private function duePayments(): void
    {
        $due = Payment::query()->with('order')->where('state', PaymentState::Due)->whereNull('trouble')
            ->where('due_at', '<=', Instant::sql(CarbonImmutable::now()))->orderBy('due_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $payment) {
            $this->charge($payment);
        }
    }

    /**
     * Charges a payment of a plan that is due, or that its buyer wants to pay now.
     *
     * @return Payment as it is afterwards
     */
    public function charge(Payment $payment): Payment
    {
        Durable::fromHere();
        $claimed = DB::transaction(function () use ($payment): bool {
            $now = CarbonImmutable::now();
            $order = $payment->order;
            $claimed = Payment::query()->where('id', $payment->id)->where('state', PaymentState::Due)
                ->update(['state' => PaymentState::Asked, 'asked_at' => Instant::sql($now), 'method' => $order->method, 'trouble' => null]);
            if ($claimed === 1) {
                OrderLog::add($order, FactType::PaymentAsked, $now, $payment->key, amount: $payment->amount, lines: $payment->lines);
            }

            return $claimed === 1;
        });
        $fresh = Payment::query()->with(['order.funnel.business', 'order.lines'])->findOrFail($payment->id);
        if ($claimed) {
            $this->payments->ask($fresh);
        }

        return $fresh->refresh();
    }
}
