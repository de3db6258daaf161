<?php

declare(strict_types=1);

namespace App\Orders;

use App\Mail\Sending\Planner;
use App\Models\Order;
use App\Models\Payment;
use App\Models\Receipt;
use DateTimeImmutable;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Orders\FactType;

/** The emails about orders: receipts and requests to buyers, news to the owner as far as they wish. Each is planned once. */
final readonly class OrderMessages
{
    public function __construct(private Planner $planner)
    {
    }

    /** @param  string  $again  sets one that the owner sends again apart from the first */
    public function sendReceipt(Receipt $receipt, DateTimeImmutable $at, string $again = ''): void
    {
        $order = $receipt->order;
        $this->planner->planAboutOrder(MessageKind::Receipt, "receipt:{$receipt->id}{$again}", $order, 'Receipt '.$receipt->number, $at,
            ['receipt' => $receipt->id]);
        OrderLog::add($order, FactType::ReceiptSent, $at, data: ['receipt' => $receipt->id, 'number' => $receipt->number]);
    }

    /** Asks a buyer to see to a payment that failed, or that waits at their bank. */
    public function askToMend(Payment $payment, DateTimeImmutable $at): void
    {
        $this->planner->planAboutOrder(MessageKind::PaymentTrouble, "mend:{$payment->key}:{$payment->state->value}", $payment->order,
            'Payment to see to', $at, ['payment' => $payment->id]);
    }

    /**
     * News of an order for its owner, if they wish to have news of this kind.
     *
     * @param  'sale'|'trouble'|'refund'  $kind
     */
    public function tellOwner(string $kind, string $key, Order $order, DateTimeImmutable $at): void
    {
        if (! $order->owner && in_array($kind, $order->business->sale_notices, true)) {
            $this->planner->planAboutOrder(MessageKind::SaleNotice, "sale-notice:{$key}", $order, 'News of an order', $at,
                ['order' => $order->id, 'kind' => $kind], toOwner: true);
        }
    }
}
