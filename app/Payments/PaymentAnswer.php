<?php

declare(strict_types=1);

namespace App\Payments;

/** Where a payment stands with its provider. */
final readonly class PaymentAnswer
{
    /**
     * @param  int  $amount  charged or to be charged, in smallest units
     * @param  string  $trouble  why it failed, as one sentence for the buyer; '' unless it did
     * @param  string  $bankUrl  where the buyer approves it; '' unless it waits for that
     * @param  string  $method  by which it can be charged again; '' where it was not kept
     * @param  string  $methodLabel  how the buyer knows it, such as “card ending in 0001”
     * @param  bool  $disputed  does the buyer's bank take it back?
     */
    public function __construct(
        public ProviderState $state,
        public int $amount,
        public string $currency,
        public string $trouble = '',
        public string $bankUrl = '',
        public string $method = '',
        public string $methodLabel = '',
        public bool $disputed = false,
    ) {
    }
}
