<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\TellOwnerOfSale;
use Lantern\Core\Orders\LineState;

/** Tells the owner of a sale: once for an order, and once for each extra offer that is taken after it. */
final readonly class SaleNotices implements CarriesOut
{
    public function __construct(private OrderMessages $messages)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof TellOwnerOfSale && $context->order !== null) {
            // The number of its last line sets one sale apart from the next of the same order; lines that were refunded keep theirs.
            $last = (int) $context->order->lines()->where('state', LineState::Bought)->max('number');
            $this->messages->tellOwner('sale', "sale:{$context->order->id}:{$last}", $context->order, $context->at);
        }
    }
}
