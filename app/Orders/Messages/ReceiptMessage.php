<?php

declare(strict_types=1);

namespace App\Orders\Messages;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Mail\Emails\SaidBody;
use App\Models\Message;
use App\Models\Receipt;
use App\Orders\PayLinks;
use App\Orders\ReceiptPaper;
use Lantern\Core\Orders\ReceiptKind;
use Lantern\Core\Page\Look\Colour;

/** A receipt by email: what it says, the PDF, and the way to everything that was bought. It comes whatever its reader has chosen. */
final class ReceiptMessage extends KindOfMessage
{
    public function canBeLeft(): bool
    {
        return false;
    }

    public function source(Message $message): ?EmailSource
    {
        $id = $message->content['receipt'] ?? null;
        $receipt = is_string($id) ? Receipt::query()->with('order.person')->find($id) : null;
        if ($receipt === null) {
            return null;
        }
        $paper = new ReceiptPaper($receipt);
        $names = implode(', ', array_column($paper->lines(), 'name'));
        $language = $receipt->order->language;
        $voice = $paper->voice();
        [$subject, $words] = match ($receipt->kind) {
            ReceiptKind::Purchase => ['mail.receipt.purchase.subject', 'mail.receipt.purchase.words'],
            ReceiptKind::Payment => ['mail.receipt.payment.subject', 'mail.receipt.payment.words'],
            ReceiptKind::Refund => ['mail.receipt.refund.subject', 'mail.receipt.refund.words'],
        };
        $sums = [['mail.receipt.total', ['amount' => $paper->money($paper->sum('total'))]]];
        if ($receipt->kind === ReceiptKind::Purchase) {
            $sums[] = ['mail.receipt.paid', ['amount' => $paper->money($paper->sum('paid'))]];
        }
        if ($paper->sum('tax') > 0) {
            $sums[] = ['mail.receipt.tax', ['tax' => $paper->seller('taxName'), 'amount' => $paper->money($paper->sum('tax'))]];
        }
        $body = (new SaidBody($voice))->say($words, ['number' => (string) $receipt->number])
            ->items(array_map(fn (array $l): array => $l['discount'] === ''
                ? ['mail.receipt.line', ['name' => $l['name'], 'amount' => $l['total']]]
                : ['mail.receipt.line_off', ['name' => $l['name'], 'amount' => $l['total'], 'discount' => $l['discount']]],
                $paper->lines()))
            ->lines($sums);
        if ($paper->later() !== []) {
            $body->say('mail.receipt.later')->items(array_map(fn (array $p): array => ['mail.receipt.payment_on',
                ['day' => $p['due'], 'amount' => $p['amount']]], $paper->later()));
        }
        $body->link('mail.receipt.open', PayLinks::purchases($receipt->order->person))
            ->say('mail.receipt.about', [], PayLinks::receipt($receipt));

        return new EmailSource(str_replace('{{', '{ {', mb_strimwidth($voice->say($subject, ['what' => $names]), 0, 120, '…')),
            $body->done(), Colour::of(EmailSource::ACCENT), tracked: false, language: $language);
    }
}
