<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Payment;
use App\Payments\NoAnswer;
use App\Payments\PaymentProvider;
use App\Support\Homes;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;

/**
 * Asks the provider for payments and has the answers settled. It is never asked within a transaction: nobody waits for the
 * database while somebody else answers. Asking again for the same payment is safe, whoever does it and however often.
 */
final readonly class Payments
{
    public function __construct(private PaymentProvider $provider, private PaymentResults $results)
    {
    }

    /** A method of payment as card fields hand it over; null for anything else. */
    public static function method(mixed $typed): ?string
    {
        return is_string($typed) && preg_match('/^[A-Za-z0-9_]{8,80}$/D', $typed) === 1 ? $typed : null;
    }

    /** Asks for a payment that is to be had, and settles what is answered. Where nothing is, the reconciler finds out later. */
    public function ask(Payment $payment): void
    {
        if ($payment->state !== PaymentState::Asked) {
            return;
        }
        try {
            $order = $payment->order;
            $about = "{$order->funnel->business->name}: "
                .($order->lines->firstWhere('number', array_key_first($payment->lines))->name ?? '');
            $back = Homes::link($order->business_id, $order->funnel_id,
                '/pay/back/'.$payment->id.'/'.PayLinks::seal("back|{$payment->id}"));
            $answer = match ($payment->purpose) {
                PaymentPurpose::First => $this->provider
                    ->start($payment->key, $payment->money(), (string) $payment->method, $about, $back, true),
                default => $this->provider->chargeAgain($payment->key, $payment->money(), (string) $payment->method, $about, $back),
            };
        } catch (NoAnswer) {
            return;
        }
        $this->results->settle($payment->key, $answer);
    }

    /** Looks what became of a payment, such as when its buyer comes back from their bank. */
    public function lookUp(Payment $payment): void
    {
        try {
            $answer = $payment->state === PaymentState::Bank ? $this->provider->confirm($payment->key)
                : $this->provider->read($payment->key);
        } catch (NoAnswer) {
            return;
        }
        if ($answer !== null) {
            $this->results->settle($payment->key, $answer);
        }
    }
}
