<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** What can happen to an order. Facts are only ever added. */
enum FactType: string
{
    case Placed = 'placed';
    case LineAdded = 'line-added';
    case PaymentAsked = 'payment-asked';
    case PaymentAtBank = 'payment-at-bank';
    case Paid = 'paid';
    case PaymentFailed = 'payment-failed';
    case PaymentPlanned = 'payment-planned';
    case PaymentCancelled = 'payment-cancelled';
    case RefundAsked = 'refund-asked';
    case Refunded = 'refunded';
    case RefundFailed = 'refund-failed';
    case Disputed = 'disputed';
    case DisputeEnded = 'dispute-ended';
    case AccessGiven = 'access-given';
    case AccessPaused = 'access-paused';
    case AccessResumed = 'access-resumed';
    case AccessEnded = 'access-ended';
    case CardChanged = 'card-changed';
    case ReceiptIssued = 'receipt-issued';
    case ReceiptSent = 'receipt-sent';
    case Noted = 'noted';

    public function label(): string
    {
        return match ($this) {
            self::Placed => 'Ordered',
            self::LineAdded => 'Added an extra offer',
            self::PaymentAsked => 'Payment asked for',
            self::PaymentAtBank => 'Payment waits for the bank',
            self::Paid => 'Paid',
            self::PaymentFailed => 'Payment failed',
            self::PaymentPlanned => 'Payment planned',
            self::PaymentCancelled => 'Payment cancelled',
            self::RefundAsked => 'Refund asked for',
            self::Refunded => 'Refunded',
            self::RefundFailed => 'Refund failed',
            self::Disputed => 'Payment disputed',
            self::DisputeEnded => 'Dispute ended',
            self::AccessGiven => 'Access given',
            self::AccessPaused => 'Access paused',
            self::AccessResumed => 'Access resumed',
            self::AccessEnded => 'Access ended',
            self::CardChanged => 'Card changed',
            self::ReceiptIssued => 'Receipt issued',
            self::ReceiptSent => 'Receipt sent',
            self::Noted => 'Note',
        };
    }
}
