<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Languages\Voices;
use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Payment;
use App\Models\Receipt;
use App\Models\Refund;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\SendReceipt;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\ReceiptKind;

/**
 * Receipts: one for all that was bought in a chain of offers, one for each later payment of a plan, one for each refund.
 * What a receipt says is written when it is issued and never changes.
 */
final readonly class Receipts implements CarriesOut, DueWork
{
    private const AT_ONCE = 200;

    public function __construct(private OrderMessages $messages)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        $order = $context->order;
        if (! $effect instanceof SendReceipt || $order === null) {
            return;
        }
        $due = $order->receipt_due_at !== null && $order->receipt_due_at < $effect->at ? $order->receipt_due_at : $effect->at;
        $order->forceFill(['receipt_due_at' => $due])->save();
        if ($due <= $context->at) {
            $this->ofPurchase($order, CarbonImmutable::instance($context->at));
        }
    }

    /** Issues what is due: of chains of offers that nobody ended. */
    public function task(): Task
    {
        return Task::Receipts;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::carbon(DB::table('orders')->min('receipt_due_at'));
    }

    public function work(CarbonImmutable $now): int
    {
        return $this->issueDue();
    }

    public function issueDue(): int
    {
        $now = CarbonImmutable::now();
        $due = Order::query()->with('business')->where('receipt_due_at', '<=', Instant::sql($now))->orderBy('receipt_due_at')
            ->limit(self::AT_ONCE)->get();
        foreach ($due as $order) {
            DB::transaction(fn () => $this->ofPurchase($order->refresh(), $now));
        }

        return $due->count();
    }

    /** A receipt of all that was bought and stands on none yet; not while a payment of it is under way. */
    private function ofPurchase(Order $order, CarbonImmutable $at): void
    {
        if ($order->receipt_due_at === null || $order->payments()->where('purpose', '!=', 'later')
            ->whereIn('state', [PaymentState::Asked, PaymentState::Bank])->exists()) {
            return;
        }
        $order->forceFill(['receipt_due_at' => null])->save();
        $lines = $order->lines()->where('state', '!=', LineState::Held)->where('state', '!=', LineState::Failed)->whereNull('receipt_id')
            ->get();
        if ($lines->isEmpty()) {
            return;
        }
        $quoted = $lines->map(fn (OrderLine $l): array => $l->quoted()->toArray() + ['number' => $l->number])->all();
        $receipt = $this->issue($order, ReceiptKind::Purchase, 'purchase:'.$order->id.':'.$lines[0]->number, $at, [
            'lines' => $quoted, 'total' => (int) $lines->sum('total'),
            'tax' => array_sum(array_column($quoted, 'tax')), 'discount' => array_sum(array_column($quoted, 'discount')),
            'paid' => $this->paidFor($order, array_values($lines->pluck('number')->map(fn ($n): int => (int) $n)->all())),
            'card' => $order->card_ends ?? '', 'coupon' => $order->coupon_code ?? '',
            'later' => $order->payments()->where('state', PaymentState::Due)->orderBy('due_at')->get()
                ->map(fn (Payment $p): array => ['due' => $p->due_at->setTimezone($order->business->zone())->format('Y-m-d'),
                    'amount' => $p->amount])->all(),
        ]);
        OrderLine::query()->whereIn('id', $lines->pluck('id'))->update(['receipt_id' => $receipt->id]);
        $order->unsetRelation('lines');
        $this->messages->sendReceipt($receipt, $at);
    }

    public function ofPayment(Payment $payment, DateTimeImmutable $at): void
    {
        $order = $payment->order;
        $lines = [];
        foreach ($order->lines()->whereIn('number', array_keys($payment->lines))->get() as $line) {
            $quoted = $line->quoted();
            $amount = $order->money($payment->lines[$line->number]);
            // The tax in a part is its share of the tax in the whole.
            $tax = $quoted->total->isZero() ? Money::zero($quoted->total->currency)
                : $amount->share($quoted->tax->minor, $quoted->total->minor);
            $lines[] = ['name' => Voices::ofFunnel($order->language, $order->funnel)->say('receipt.part', ['name' => $line->name,
                'number' => $payment->number, 'count' => $quoted->payments]), 'number' => $line->number,
                'rate' => $quoted->rate->hundredths, 'tax' => $tax->minor, 'net' => $amount->minus($tax)->minor, 'total' => $amount->minor];
        }
        $receipt = $this->issue($order, ReceiptKind::Payment, "payment:{$payment->key}", $at,
            ['lines' => $lines, 'total' => $payment->amount,
                'tax' => array_sum(array_column($lines, 'tax')), 'paid' => $payment->amount, 'card' => $order->card_ends ?? '']);
        $payment->forceFill(['receipt_id' => $receipt->id])->save();
        $this->messages->sendReceipt($receipt, $at);
    }

    /** @param  array<int, int>  $shares  by the line's number */
    public function ofRefund(Refund $refund, array $shares, DateTimeImmutable $at): void
    {
        $order = $refund->order;
        $lines = [];
        foreach ($order->lines()->whereIn('number', array_keys($shares))->get() as $line) {
            $quoted = $line->quoted();
            $amount = $order->money($shares[$line->number]);
            $tax = $quoted->total->isZero() ? Money::zero($quoted->total->currency)
                : $amount->share($quoted->tax->minor, $quoted->total->minor);
            $lines[] = ['name' => $line->name, 'number' => $line->number, 'rate' => $quoted->rate->hundredths, 'tax' => $tax->minor,
                'net' => $amount->minus($tax)->minor, 'total' => $amount->minor];
        }
        $receipt = $this->issue($order, ReceiptKind::Refund, "refund:{$refund->key}", $at, ['lines' => $lines, 'total' => $refund->amount,
            'tax' => array_sum(array_column($lines, 'tax')), 'paid' => -$refund->amount, 'why' => $refund->why]);
        $this->messages->sendReceipt($receipt, $at);
    }

    /** @param  array<string, mixed>  $content */
    private function issue(Order $order, ReceiptKind $kind, string $key, DateTimeImmutable $at, array $content): Receipt
    {
        $before = Receipt::query()->where('key', $key)->first();
        if ($before !== null) {
            return $before;
        }
        $business = $order->business;
        $receipt = Receipt::query()->create(['business_id' => $order->business_id, 'order_id' => $order->id, 'kind' => $kind, 'key' => $key,
            'number' => NumberSeries::next($order->business_id, 'receipts'), 'issued_at' => $at, 'content' => $content + [
                'currency' => $order->currency, 'language' => $order->language, 'order' => $order->number,
                'seller' => ['name' => $business->name, 'address' => $business->postal_address, 'taxNumber' => $business->tax_number,
                    'taxName' => $business->tax_name],
                'buyer' => ['name' => $order->name, 'email' => $order->email],
                'day' => CarbonImmutable::instance($at)->setTimezone($business->zone())->format('Y-m-d')]]);
        OrderLog::add($order, FactType::ReceiptIssued, $at, data: ['receipt' => $receipt->id, 'number' => $receipt->number]);

        return $receipt;
    }

    /** @param  list<int>  $lines */
    private function paidFor(Order $order, array $lines): int
    {
        $paid = 0;
        foreach ($order->payments()->where('state', PaymentState::Paid)->get() as $payment) {
            $paid += array_sum(array_intersect_key($payment->lines, array_flip($lines)));
        }

        return $paid;
    }
}
