<?php

declare(strict_types=1);

namespace App\Orders\Messages;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Message;
use App\Models\Payment;
use App\Orders\PayLinks;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Page\Look\Colour;

/** Asks a buyer to see to a payment of their plan: by another card, or by approving it at their bank. */
final class PaymentTroubleMessage extends KindOfMessage
{
    public function canBeLeft(): bool
    {
        return false;
    }

    public function source(Message $message): ?EmailSource
    {
        $payment = self::payment($message);
        if ($payment === null) {
            return null;
        }
        $order = $payment->order;
        $what = e($order->lines->firstWhere('number', array_key_first($payment->lines))->name ?? 'your order');
        $amount = e($payment->money()->words($order->language));
        $next = Payment::query()->where('order_id', $order->id)->where('number', $payment->number)->where('try', '>', $payment->try)
            ->where('state', PaymentState::Due)->whereNull('trouble')->first();
        $link = fn (string $to, string $words): string => '<a href="'.e($to)."\">{$words}</a>";
        $card = $link(PayLinks::purchases($order->person), 'Use another card');
        $day = e((string) $next?->due_at->setTimezone($order->business->zone())->format('j F'));
        $words = match (true) {
            $payment->state === PaymentState::Bank => "<p>the next payment for “{$what}”, {$amount}, waits for you: your bank wants "
                .'you to approve it.</p><p>'.$link((string) $payment->bank_url, 'Approve it at your bank').'</p>',
            $next !== null => "<p>the next payment for “{$what}”, {$amount}, did not go through: "
                .e(lcfirst((string) $payment->trouble))."</p><p>We try it again on {$day}. If another card would be better, fill it in "
                ."here, and it is paid at once:</p><p>{$card}</p>",
            default => "<p>we have tried several times to charge the payment of {$amount} for “{$what}”, and it did not go "
                ."through. Until it is paid, access is paused.</p><p>{$card}</p>",
        };

        return new EmailSource('A payment needs you', RichText::email(str_replace('{{', '{ {', '<p>Hello,</p>'.$words)),
            Colour::of(EmailSource::ACCENT), tracked: false);
    }

    /** Whoever has paid in the meantime is asked for nothing. */
    public function verdict(Message $message, CarbonImmutable $now): SendVerdict
    {
        $payment = self::payment($message);
        $paid = $payment !== null && Payment::query()->where('order_id', $payment->order_id)->where('purpose', PaymentPurpose::Later)
            ->where('number', $payment->number)->where('state', PaymentState::Paid)->exists();

        return $paid ? SendVerdict::cancel('It has been paid in the meantime.') : SendVerdict::go();
    }

    private static function payment(Message $message): ?Payment
    {
        $id = $message->content['payment'] ?? null;

        return is_string($id) ? Payment::query()->with(['order.lines', 'order.person', 'order.business'])->find($id) : null;
    }
}
