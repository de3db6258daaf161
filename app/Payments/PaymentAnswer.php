<?php

declare(strict_types=1);

namespace App\Payments;

use Lantern\Core\Orders\PaymentTrouble;

/** Where a payment stands with its provider. */
final readonly class PaymentAnswer
{
    /**
     * @param  int  $amount  charged or to be charged, in smallest units
     * @param  PaymentTrouble|null  $trouble  why it failed; null unless it did
     * @param  string  $bankUrl  where the buyer approves it; '' unless it waits for that
     * @param  string  $method  by which it can be charged again; '' where it was not kept
     * @param  string  $cardEnds  the last digits of the card, by which its buyer knows it; '' where it is no card
     * @param  bool  $disputed  does the buyer's bank take it back?
     */
    public function __construct(
        public ProviderState $state,
        public int $amount,
        public string $currency,
        public ?PaymentTrouble $trouble = null,
        public string $bankUrl = '',
        public string $method = '',
        public string $cardEnds = '',
        public bool $disputed = false,
    ) {
    }
}
