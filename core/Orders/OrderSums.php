<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/**
 * What the facts of an order come to: its state, and how much was paid, refunded, is being refunded, and is disputed.
 * A fact that is told twice of one payment or refund counts once.
 */
final readonly class OrderSums
{
    /**
     * @param  int  $paid  in smallest units; likewise the others
     * @param  int  $refunding  asked for, and not known yet whether it went
     * @param  array<int, int>  $refundedByLine  refunded or being refunded, by the line's number
     */
    private function __construct(
        public OrderState $state,
        public int $paid,
        public int $refunded,
        public int $refunding,
        public int $disputed,
        public array $refundedByLine,
    ) {
    }

    /** @param  iterable<Fact>  $facts  in the order in which they were recorded */
    public static function of(iterable $facts): self
    {
        $payments = $refunds = $disputed = [];
        $bought = false;
        foreach ($facts as $fact) {
            $payment = (string) $fact->payment;
            $refund = (string) $fact->refund;
            match ($fact->type) {
                FactType::Placed => $bought = $bought || $fact->amount === 0,
                FactType::PaymentAsked, FactType::PaymentAtBank, FactType::PaymentFailed => $payments[$payment] = isset($payments[$payment])
                    && $payments[$payment][0] === FactType::Paid ? $payments[$payment] : [$fact->type, $fact->amount],
                FactType::Paid => $payments[$payment] = [FactType::Paid, $fact->amount],
                FactType::RefundAsked => $refunds[$refund] ??= [false, $fact->amount, $fact->lines],
                FactType::Refunded => $refunds[$refund] = [true, $fact->amount, $fact->lines],
                FactType::RefundFailed => $refunds[$refund] = ($refunds[$refund][0] ?? false) ? $refunds[$refund] : [false, 0, []],
                FactType::Disputed => $disputed[$payment] = $fact->amount,
                FactType::DisputeEnded => $disputed[$payment] = 0,
                default => null,
            };
            $bought = $bought || $fact->type === FactType::Paid;
        }
        $byLine = [];
        $refunded = $refunding = 0;
        foreach ($refunds as [$done, $sum, $lines]) {
            $refunded += $done ? $sum : 0;
            $refunding += $done ? 0 : $sum;
            foreach ($lines as $line => $amount) {
                $byLine[$line] = ($byLine[$line] ?? 0) + $amount;
            }
        }
        $paid = array_sum(array_map(fn (array $p): int => $p[0] === FactType::Paid ? $p[1] : 0, $payments));
        $inDispute = array_sum($disputed);

        return new self(match (true) {
            $inDispute > 0 => OrderState::Disputed,
            $bought && $refunded > 0 => $refunded >= $paid ? OrderState::Refunded : OrderState::PartRefunded,
            $bought => OrderState::Paid,
            default => self::unpaid(array_column(array_values($payments), 0)),
        }, $paid, $refunded, $refunding, $inDispute, $byLine);
    }

    /** How much of it can still be refunded. */
    public function refundable(): int
    {
        return max(0, $this->paid - $this->refunded - $this->refunding - $this->disputed);
    }

    /** @param  list<FactType>  $payments  where each of its payments stands, none of them paid */
    private static function unpaid(array $payments): OrderState
    {
        return match (true) {
            in_array(FactType::PaymentAtBank, $payments, true) => OrderState::Waiting,
            in_array(FactType::PaymentAsked, $payments, true), $payments === [] => OrderState::Open,
            default => OrderState::Failed,
        };
    }
}
