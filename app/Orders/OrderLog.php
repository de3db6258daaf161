<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\Events;
use App\Models\Order;
use App\Results\Counts;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Orders\Fact;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Orders\OrderSums;

/** The facts of orders: added, never changed. State and sums of an order are read from them after each. */
final class OrderLog
{
    /**
     * Adds a fact. Call it within the transaction that does what it tells of.
     *
     * @param  array<int, int>  $lines  of money: how much of it is for each line
     * @param  array<string, mixed>  $data  what else is to be known of it
     */
    public static function add(
        Order $order,
        FactType $type,
        DateTimeImmutable $at,
        ?string $payment = null,
        ?string $refund = null,
        int $amount = 0,
        array $lines = [],
        array $data = [],
    ): void {
        DB::table('order_facts')->insert(['business_id' => $order->business_id, 'funnel_id' => $order->funnel_id, 'order_id' => $order->id,
            'type' => $type->value, 'payment_key' => $payment, 'refund_key' => $refund, 'amount' => $amount, 'currency' => $order->currency,
            'lines' => $lines === [] ? null : json_encode($lines, JSON_THROW_ON_ERROR | JSON_FORCE_OBJECT),
            'data' => $data === [] ? null : json_encode($data, JSON_THROW_ON_ERROR), 'owner' => $order->owner,
            'at' => CarbonImmutable::instance($at)->utc()->format(Events::AT)]);
        if ($type === FactType::Paid || $type === FactType::Refunded) {
            Counts::addMoney($order->id, $order->loadMissing('funnel.business')->funnel->business->zone());
        }
        $sums = self::sums($order);
        // What was not paid for in the end is no part of an order that was bought.
        $total = (int) DB::table('order_lines')->where('order_id', $order->id)->where('state', '!=', LineState::Failed->value)
            ->sum('total');
        $order->forceFill(['state' => $sums->state, 'paid' => $sums->paid, 'refunded' => $sums->refunded]
            + ($total > 0 || $sums->state->isBought() ? ['total' => $total] : []))->save();
    }

    public static function sums(Order $order): OrderSums
    {
        return OrderSums::of(self::facts($order));
    }

    /** @return list<Fact> in the order in which they were recorded */
    public static function facts(Order $order): array
    {
        return array_values(DB::table('order_facts')->where('order_id', $order->id)->orderBy('id')->get()
            ->map(fn (object $f): Fact => new Fact(FactType::from((string) $f->type), $f->payment_key, $f->refund_key, (int) $f->amount,
                self::lines($f->lines)))->all());
    }

    /** @return array<int, int> */
    public static function lines(mixed $json): array
    {
        $lines = [];
        foreach (is_string($json) ? (array) json_decode($json, true) : [] as $line => $amount) {
            $lines[(int) $line] = (int) $amount;
        }

        return $lines;
    }
}
