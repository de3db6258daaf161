<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Orders\Purchases;
use App\Serving\Visit;
use Illuminate\Support\Facades\View;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * What was bought in this browser, with all that it opens: this one order, since whoever typed its address need not be its person.
 * All that somebody has is behind the link in their receipt.
 */
final readonly class PurchasesSlot implements Slot
{
    public function __construct(private Purchases $purchases)
    {
    }

    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        $order = $visit->order();
        if ($order === null || ! $order->state->isBought()) {
            return '<p class="purchases-none">'.e('What you bought is opened by the link in your receipt.').'</p>';
        }

        return View::make('pay.purchases', ['order' => $order, 'items' => $this->purchases->ofOrder($order)])->render();
    }
}
