<?php

declare(strict_types=1);

namespace App\Orders\Messages;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Message;
use App\Models\Order;
use App\Models\OrderLine;
use App\Support\Hosts;
use App\Support\RichText;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Page\Look\Colour;

/** News of an order for its owner: a sale, trouble with a payment, a refund. */
final class SaleNoticeMessage extends KindOfMessage
{
    public function isForPerson(): bool
    {
        return false;
    }

    public function source(Message $message): ?EmailSource
    {
        $id = $message->content['order'] ?? null;
        $order = is_string($id) ? Order::query()->with(['lines', 'payments', 'person', 'funnel', 'business'])->find($id) : null;
        if ($order === null || $order->person->erased_at !== null) {
            return null;
        }
        $identity = e($order->name === '' ? $order->email : "{$order->name} ({$order->email})");
        $lines = $order->lines->filter(fn (OrderLine $l): bool => $l->state === LineState::Bought || $l->state === LineState::Returned);
        $items = $lines->map(fn (OrderLine $l): string => '<li>'.e($l->name).': '.e($order->shown($l->total)).'</li>')
            ->implode('');
        $failed = $order->payments->last(fn ($p): bool => $p->state === PaymentState::Failed);
        [$subject, $words] = match ($message->content['kind'] ?? '') {
            'refund' => ['Refunded: order '.$order->number, "<p>{$identity} gets money back. Refunded of this order so far: "
                .e($order->shown($order->refunded)).'.</p>'],
            'trouble' => ['Trouble with order '.$order->number, "<p>The order of {$identity} needs a look: it is "
                .e(mb_strtolower($order->state->label())).($order->arrears ? ', and a payment of its plan is owed' : '').'.'
                .($failed?->trouble === null ? '' : ' '.e($failed->trouble->label())).'</p>'],
            default => ['Sold: '.$lines->pluck('name')->implode(', '),
                "<p>{$identity} bought in “".e($order->funnel->name)."”:</p><ul>{$items}</ul>"
                .'<p><strong>'.e($order->shown($order->total)).'</strong></p>'],
        };
        $link = e(Hosts::studio()."/studio/sales/orders/{$order->id}");

        return new EmailSource(str_replace('{{', '{ {', mb_strimwidth($subject, 0, 120, '…')),
            RichText::email(str_replace('{{', '{ {', $words)."<p><a href=\"{$link}\">Open the order</a></p>"),
            Colour::of(EmailSource::ACCENT), tracked: false);
    }
}
