<?php

declare(strict_types=1);

namespace App\Payments;

use Illuminate\Http\Request;
use Lantern\Core\Money\Money;

/**
 * Whoever takes payments for us. A provider is one class that keeps this contract (docs/payments.md); every one of them
 * must pass the tests of the contract.
 *
 * Everything is asked for under a key of ours. The same key asked for again is the same payment or refund, never another
 * one, and {@see read()} tells what became of it: so whatever breaks in between, nothing is charged or paid back twice.
 */
interface PaymentProvider
{
    /** Its name in written form, such as in the address of its calls to us. */
    public static function name(): string;

    /**
     * The address of its card fields: a page to be shown in a frame, which hands over a method (docs/payments.md).
     *
     * @param  string  $language  in which they speak to the buyer: a BCP 47 tag
     */
    public function cardFields(string $language): string;

    /**
     * Starts a payment while the buyer is there.
     *
     * @param  string  $key  ours, of 40 characters at most
     * @param  string  $method  what the card fields handed over
     * @param  string  $about  what the payment is for, as the buyer reads it at their bank
     * @param  string  $back  where the buyer comes back to from their bank
     * @param  bool  $keep  is the method kept, to be charged again?
     *
     * @throws NoAnswer when it is not known what became of it
     */
    public function start(string $key, Money $amount, string $method, string $about, string $back, bool $keep): PaymentAnswer;

    /**
     * Completes a payment after the buyer has come back from their bank. One that needs no completing stays as it is.
     *
     * @throws NoAnswer
     */
    public function confirm(string $key): PaymentAnswer;

    /**
     * Charges a method again that was kept, without its owner being there.
     *
     * @throws NoAnswer
     */
    public function chargeAgain(string $key, Money $amount, string $method, string $about, string $back): PaymentAnswer;

    /**
     * What became of a payment. Null: it never heard of the key.
     *
     * @throws NoAnswer
     */
    public function read(string $key): ?PaymentAnswer;

    /**
     * Pays back a part of a payment, or all of it.
     *
     * @param  string  $key  of the refund
     * @param  string  $payment  key of the payment
     *
     * @throws NoAnswer
     */
    public function refund(string $key, string $payment, Money $amount): RefundAnswer;

    /**
     * What became of a refund. Null: it never heard of the key.
     *
     * @throws NoAnswer
     */
    public function readRefund(string $key): ?RefundAnswer;

    /** A call of the provider's to us; null unless it is certain to come from there and to be fresh. */
    public function call(Request $request): ?ProviderCall;
}
