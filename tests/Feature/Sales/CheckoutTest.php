<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Models\Access;
use App\Models\Receipt;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Plan\PageRole;

/** From the checkout to money, delivery, receipt and the next page. */
final class CheckoutTest extends SalesTestCase
{
    public function test_a_stranger_buys_and_gets_what_they_paid_for(): void
    {
        $this->buy()->assertRedirect($this->url(PageRole::Upsell));
        $order = $this->lastOrder();
        self::assertSame([OrderState::Paid, 1, 19_000, 19_000], [$order->state, $order->number, $order->total, $order->paid]);
        self::assertSame(19_000, self::ledger());
        self::assertSame(['First Season'], Access::query()->get()->map(fn (Access $a): string => $a->product()->name)->all());
        self::assertSame(['Bought First Season'], $order->person->tags->pluck('name')->all());
        self::assertFalse($order->person->pending);
        self::assertSame(1, DB::table('enrolments')->where('person_id', $order->person_id)->count());
        self::assertSame(0, Receipt::query()->count(), 'it waits for the extra offers');
    }
}
