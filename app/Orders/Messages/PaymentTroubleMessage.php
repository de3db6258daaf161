<?php

declare(strict_types=1);

namespace App\Orders\Messages;

use App\Languages\Voices;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Mail\Emails\SaidBody;
use App\Models\Message;
use App\Models\Payment;
use App\Orders\PayLinks;
use Carbon\CarbonImmutable;
use Lantern\Core\Deadlines\TimeWords;
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
        $voice = Voices::ofFunnel($order->language, $order->funnel);
        $values = ['what' => $order->lines->firstWhere('number', array_key_first($payment->lines))->name ?? '',
            'amount' => $payment->money()];
        $next = Payment::query()->where('order_id', $order->id)->where('number', $payment->number)->where('try', '>', $payment->try)
            ->where('state', PaymentState::Due)->whereNull('trouble')->first();
        $body = (new SaidBody($voice))->say('mail.hello_nobody');
        if ($payment->state === PaymentState::Bank) {
            $body->say('mail.trouble.bank', $values)->link('mail.trouble.approve', (string) $payment->bank_url);
        } elseif ($next !== null) {
            $body->say('mail.trouble.failed', $values + ['why' => $payment->trouble?->phrase() ?? ''])
                ->say('mail.trouble.again', ['day' => TimeWords::day($next->due_at, $order->business->zone(), $order->language)])
                ->link('mail.trouble.card', PayLinks::purchases($order->person));
        } else {
            $body->say('mail.trouble.given_up', $values)->link('mail.trouble.card', PayLinks::purchases($order->person));
        }

        return new EmailSource($voice->say('mail.trouble.subject'), $body->done(), Colour::of(EmailSource::ACCENT), tracked: false,
            language: $order->language);
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
