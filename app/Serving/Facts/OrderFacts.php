<?php

declare(strict_types=1);

namespace App\Serving\Facts;

/** An order that was placed in this browser. */
final readonly class OrderFacts
{
    /**
     * @param  string  $name  of whom the receipt is for, as it was typed
     * @param  bool  $bought  was it paid, or is it being paid by its plan?
     * @param  bool  $fresh  may an extra offer still be bought with it?
     * @param  bool  $charges  is there a card that can be charged?
     * @param  string  $cardEnds  its last digits; '' where they are not known
     */
    public function __construct(public string $id, public string $name, public bool $bought, public bool $fresh, public bool $charges,
        public string $cardEnds)
    {
    }
}
