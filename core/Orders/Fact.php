<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** One thing that happened to an order. Amounts are in smallest units of the order's currency. */
final readonly class Fact
{
    /**
     * @param  string|null  $payment  key of the payment it is about
     * @param  string|null  $refund  key of the refund it is about
     * @param  int  $amount  that was asked for, paid or refunded
     * @param  array<int, int>  $lines  of a refund: how much of it falls on each line, by the line's number
     */
    public function __construct(
        public FactType $type,
        public ?string $payment = null,
        public ?string $refund = null,
        public int $amount = 0,
        public array $lines = [],
    ) {
    }
}
