<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Order;
use App\Models\OrderLine;
use DateTimeImmutable;
use Lantern\Core\Events\EventType;

/** What happens to lines of an order after it was placed, on its way through {@see Events}. */
final class OrderEvents
{
    /**
     * Call it within a transaction.
     *
     * @param  list<int>  $numbers  of the lines it is about
     * @param  array<string, mixed>  $data
     */
    public static function take(Events $events, EventType $type, Order $order, array $numbers, DateTimeImmutable $at, array $data): void
    {
        $lines = OrderLine::query()->where('order_id', $order->id)->whereIn('number', $numbers)->orderBy('number')->get();
        $offers = array_values(array_unique($lines->map(fn (OrderLine $l): string => $l->offer_id)->all()));
        $first = $lines->first();
        if ($first !== null) {
            $events->take(NewEvent::ofOrder($type, $order, $first->page_id, $at, $offers, [], ['offers' => $offers] + $data));
        }
    }
}
