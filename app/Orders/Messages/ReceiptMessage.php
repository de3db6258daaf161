<?php

declare(strict_types=1);

namespace App\Orders\Messages;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Message;
use App\Models\Receipt;
use App\Orders\PayLinks;
use App\Orders\ReceiptPaper;
use App\Support\RichText;
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
        $rows = implode('', array_map(fn (array $l): string => '<li>'.e($l['name']).': '.e($l['total'])
            .($l['discount'] === '' ? '' : ' ('.e($l['discount']).' off)').'</li>', $paper->lines()));
        $tax = $paper->sum('tax') > 0 ? '<br>'.e($paper->seller('taxName')).' in it: '.e($paper->money($paper->sum('tax'))) : '';
        $later = implode('', array_map(fn (array $p): string => '<li>'.e($p['due']).': '.e($p['amount']).'</li>', $paper->later()));
        $body = match ($receipt->kind) {
            ReceiptKind::Purchase => '<p>Thank you. Here is your receipt, number '.$receipt->number.':</p>',
            ReceiptKind::Payment => '<p>Your payment has arrived. Receipt number '.$receipt->number.':</p>',
            ReceiptKind::Refund => '<p>Your money is on its way back to you. Number '.$receipt->number.':</p>',
        }."<ul>{$rows}</ul><p><strong>Total: ".e($paper->money($paper->sum('total'))).'</strong>'
            .($receipt->kind === ReceiptKind::Purchase ? '<br>Paid: '.e($paper->money($paper->sum('paid'))) : '').$tax.'</p>'
            .($later === '' ? '' : "<p>Still to come, charged to the same card:</p><ul>{$later}</ul>")
            .'<p><a href="'.e(PayLinks::purchases($receipt->order->person)).'">Open what you bought</a></p>'
            .'<p>That link is yours alone: it opens everything you have bought, your receipts and the card of a plan, without a password. '
            .'<a href="'.e(PayLinks::receipt($receipt)).'">Receipt as a PDF</a>.</p>';

        return new EmailSource($this->subject($receipt, $names), RichText::email(str_replace('{{', '{ {', $body)),
            Colour::of(EmailSource::ACCENT), tracked: false);
    }

    private function subject(Receipt $receipt, string $names): string
    {
        $begin = match ($receipt->kind) {
            ReceiptKind::Purchase => 'Your receipt: ',
            ReceiptKind::Payment => 'Payment received: ',
            ReceiptKind::Refund => 'Refund: ',
        };

        return str_replace('{{', '{ {', mb_strimwidth($begin.$names, 0, 120, '…'));
    }
}
