<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\Events;
use App\Models\Order;
use App\Models\Payment;
use App\Models\Refund;
use App\Payments\NoAnswer;
use App\Payments\PaymentProvider;
use App\Payments\RefundAnswer;
use App\Support\Durable;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\RefundShares;
use Lantern\Core\Orders\RefundState;
use Lantern\Core\Support\Invalid;

/**
 * Pays money back. What is to be refunded is written down, with a key, before the provider is asked; pressing the button
 * twice is one refund, and nobody can refund more than is left, however many try at once.
 */
final readonly class Refunding
{
    public function __construct(
        private PaymentProvider $provider,
        private Accesses $accesses,
        private PaymentPlans $plans,
        private Receipts $receipts,
        private OrderMessages $messages,
        private Events $events,
    ) {
    }

    /**
     * @param  string  $act  of one press of the button: 32 small letters and digits
     * @param  list<int>  $lines  numbers of the lines it is for; none means all
     * @param  int|null  $amount  in smallest units; null for all that is left of them
     *
     * @throws Invalid when there is nothing left, or less than the amount
     */
    public function refund(Order $order, string $act, array $lines, ?int $amount, bool $endsAccess, string $why): void
    {
        Durable::fromHere();
        $refunds = DB::transaction(function () use ($order, $act, $lines, $amount, $endsAccess, $why): array {
            $before = Refund::query()->with(['order', 'payment'])->where('order_id', $order->id)->where('act', $act)->get()->all();
            if ($before !== []) {
                return $before;
            }
            $order->refresh();
            $byLine = RefundShares::byLine(self::left($order), $lines, $amount, $order->money(0)->currency);
            $now = CarbonImmutable::now();
            $made = [];
            foreach (RefundShares::byPayment(self::leftOfPayments($order), $byLine) as $key => $shares) {
                $share = array_sum($shares);
                $refund = Refund::query()->create(['order_id' => $order->id, 'act' => $act, 'key' => PaymentKey::fresh(),
                    'payment_id' => Payment::query()->where('key', $key)->valueOrFail('id'), 'amount' => $share,
                    'lines' => $shares, 'state' => RefundState::Asked, 'ends_access' => $endsAccess, 'why' => $why,
                    'asked_at' => $now]);
                OrderLog::add($order, FactType::RefundAsked, $now, $key, $refund->key, $share, $refund->lines,
                    array_filter(['why' => $why, 'endsAccess' => $endsAccess]));
                $made[] = $refund;
            }

            return $made;
        });
        foreach ($refunds as $refund) {
            $this->ask($refund);
        }
    }

    /** Asks for a refund that is to be had. Where nothing is answered, the reconciler asks again under the same key. */
    public function ask(Refund $refund): void
    {
        if ($refund->state !== RefundState::Asked) {
            return;
        }
        try {
            $this->settle($refund->key,
                $this->provider->refund($refund->key, $refund->payment->key, $refund->order->money($refund->amount)));
        } catch (NoAnswer) {
            return;
        }
    }

    public function settle(string $key, RefundAnswer $answer): void
    {
        DB::transaction(function () use ($key, $answer): void {
            $refund = Refund::query()->with(['order', 'payment'])->where('key', $key)->where('state', RefundState::Asked)->first();
            if ($refund === null) {
                return;
            }
            $now = CarbonImmutable::now();
            $order = $refund->order;
            $done = $answer->done && $answer->amount === $refund->amount;
            $refund->forceFill(['state' => $done ? RefundState::Done : RefundState::Failed, 'settled_at' => $now])->save();
            if (! $done) {
                OrderLog::add($order, FactType::RefundFailed, $now, $refund->payment->key, $key, $refund->amount,
                    data: ['why' => $answer->trouble]);
                $this->messages->tellOwner('trouble', "refund-failed:{$key}", $order, $now);

                return;
            }
            OrderLog::add($order, FactType::Refunded, $now, $refund->payment->key, $key, $refund->amount, $refund->lines);
            if ($refund->ends_access) {
                $lines = array_keys($refund->lines);
                $this->accesses->endOfLines($order, $lines, $now);
                $this->plans->cancel($order, $now, $lines);
            }
            $this->receipts->ofRefund($refund, $refund->lines, $now);
            $this->messages->tellOwner('refund', "refund:{$key}", $order, $now);
            OrderEvents::take($this->events, EventType::Refunded, $order, array_keys($refund->lines), $now, ['refund' => $key]);
        });
    }

    /** @return array<int, int> what was paid for each line and can still be refunded, by the line's number */
    public static function left(Order $order): array
    {
        $refunded = OrderLog::sums($order)->refundedByLine;
        $left = [];
        foreach ($order->payments()->where('state', PaymentState::Paid)->get() as $payment) {
            foreach ($payment->lines as $line => $amount) {
                $left[(int) $line] = ($left[(int) $line] ?? 0) + $amount;
            }
        }
        foreach ($refunded as $line => $amount) {
            $left[$line] = ($left[$line] ?? 0) - $amount;
        }
        ksort($left);

        return array_filter($left, fn (int $l): bool => $l > 0);
    }

    /** @return array<string, array<int, int>> what can still be refunded of each payment for each line, in the order of paying */
    private static function leftOfPayments(Order $order): array
    {
        $left = [];
        foreach ($order->payments()->where('state', PaymentState::Paid)->reorder('settled_at')->orderBy('id')->get() as $payment) {
            $left[$payment->key] = $payment->lines;
            foreach (Refund::query()->where('payment_id', $payment->id)->where('state', '!=', RefundState::Failed)->get() as $refund) {
                foreach ($refund->lines as $line => $amount) {
                    $left[$payment->key][$line] = ($left[$payment->key][$line] ?? 0) - $amount;
                }
            }
        }

        return $left;
    }
}
