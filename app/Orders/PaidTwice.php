<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\OrderLine;
use App\Models\Payment;
use App\Models\Refund;
use DateTimeImmutable;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\RefundState;

/**
 * What was paid a second time goes back by itself. It happens where a payment was given up, since nobody knew of it, was
 * tried again under another key, and its provider then says that the first went through after all.
 */
final readonly class PaidTwice
{
    public function __construct(private OrderMessages $messages)
    {
    }

    /** Has another payment paid for the same? */
    public static function isSo(Payment $payment): bool
    {
        $others = Payment::query()->where('order_id', $payment->order_id)->where('id', '!=', $payment->id)
            ->where('purpose', $payment->purpose)->where('state', PaymentState::Paid)->get();

        return $others->contains(fn (Payment $other): bool => match ($payment->purpose) {
            PaymentPurpose::First => true,
            PaymentPurpose::Later => $other->number === $payment->number && array_intersect_key($other->lines, $payment->lines) !== [],
            PaymentPurpose::Extra => self::offers($other) === self::offers($payment),
        });
    }

    /** Has it paid back. Call it within the transaction that settles the payment; the reconciler asks the provider. */
    public function giveBack(Payment $payment, DateTimeImmutable $at): void
    {
        $why = 'Paid twice by accident.';
        $refund = Refund::query()->create(['order_id' => $payment->order_id, 'act' => md5("twice|{$payment->key}"),
            'key' => PaymentKey::fresh(), 'payment_id' => $payment->id, 'amount' => $payment->amount, 'lines' => $payment->lines,
            'state' => RefundState::Asked, 'why' => $why, 'asked_at' => $at]);
        OrderLog::add($payment->order, FactType::RefundAsked, $at, $payment->key, $refund->key, $refund->amount, $refund->lines,
            ['why' => $why]);
        $this->messages->tellOwner('trouble', "twice:{$payment->key}", $payment->order, $at);
    }

    /** @return list<string> */
    private static function offers(Payment $payment): array
    {
        return array_values(OrderLine::query()->where('order_id', $payment->order_id)->whereIn('number', array_keys($payment->lines))
            ->orderBy('offer_id')->pluck('offer_id')->map(fn ($id): string => (string) $id)->all());
    }
}
