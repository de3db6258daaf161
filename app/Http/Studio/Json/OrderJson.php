<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Payment;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Models\Refund;
use App\Orders\OrderLog;
use App\Orders\PayLinks;
use App\Orders\Refunding;
use App\Support\Instant;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\PaymentState;

/** Orders as the Studio reads them. */
final class OrderJson
{
    /** @return array<string, mixed> */
    public static function row(Order $order): array
    {
        return ['id' => $order->id, 'number' => $order->number, 'state' => $order->state->value, 'stateLabel' => $order->state->label(),
            'arrears' => $order->arrears, 'email' => $order->email, 'name' => $order->name, 'person' => $order->person_id,
            'funnel' => $order->funnel->name, 'funnelId' => $order->funnel_id,
            'at' => Instant::json($order->bought_at ?? $order->placed_at),
            'items' => array_values($order->lines->filter(fn (OrderLine $l): bool => ! $order->state->isBought() || $l->receipt_id !== null
                || $l->state->value !== 'failed')->map(fn (OrderLine $l): string => $l->name)->all()),
            'total' => $order->shown($order->total), 'paid' => $order->shown($order->paid),
            'refunded' => $order->refunded === 0 ? '' : $order->shown($order->refunded), 'currency' => $order->currency,
            'coupon' => $order->coupon_code, 'owner' => $order->owner];
    }

    /** @return array<string, mixed> a row, and what is still to come of its plan */
    public static function withPlan(Order $order): array
    {
        $due = $order->payments->where('state', PaymentState::Due)->sortBy('due_at');

        return self::row($order) + ['toCome' => $due->count(), 'next' => Instant::json($due->first()?->due_at)];
    }

    /** @return array<string, mixed> */
    public static function whole(Order $order): array
    {
        $order->load(['lines', 'payments', 'refunds.payment', 'receipts', 'person', 'funnel', 'business']);
        $left = Refunding::left($order);
        $sums = OrderLog::sums($order);
        $words = fn (int $minor): string => $order->shown($minor);

        return self::row($order) + [
            'placedAt' => Instant::json($order->placed_at), 'method' => ($order->card_ends ?? '') === '' ? null
                : "card ending in {$order->card_ends}", 'source' => $order->source,
            'decimals' => $order->money(0)->currency->decimals,
            'refundable' => $sums->refundable(), 'refundableWords' => $words($sums->refundable()),
            'lines' => array_values($order->lines->map(fn (OrderLine $l): array => ['number' => $l->number, 'name' => $l->name,
                'kind' => $l->kind->label(), 'state' => $l->state->value, 'total' => $words($l->total),
                'offerName' => $l->quoted()->offerName,
                'discount' => $l->quoted()->discount->isZero() ? '' : $words($l->quoted()->discount->minor),
                'tax' => $l->quoted()->tax->isZero() ? '' : $words($l->quoted()->tax->minor), 'left' => $left[$l->number] ?? 0,
                'leftWords' => $words($left[$l->number] ?? 0), 'payments' => $l->quoted()->payments])->all()),
            'payments' => array_values($order->payments->map(fn (Payment $p): array => ['key' => $p->key, 'number' => $p->number,
                'try' => $p->try, 'amount' => $words($p->amount), 'state' => $p->state->value, 'stateLabel' => $p->state->label(),
                'due' => Instant::json($p->due_at), 'settled' => Instant::json($p->settled_at),
                'trouble' => $p->trouble?->label()])->all()),
            'refunds' => array_values($order->refunds
                ->map(fn (Refund $r): array => ['amount' => $words($r->amount), 'state' => $r->state->value,
                    'why' => $r->why, 'at' => Instant::json($r->settled_at ?? $r->asked_at)])->all()),
            'receipts' => array_values($order->receipts->map(fn (Receipt $r): array => ['id' => $r->id, 'number' => $r->number,
                'label' => $r->kind->label(), 'at' => Instant::json($r->issued_at), 'url' => PayLinks::receipt($r)])->all()),
            'access' => array_values(ProductAccess::query()->where('order_id', $order->id)->orderBy('given_at')->get()
                ->map(fn (ProductAccess $a): array => ['id' => $a->id, 'product' => $a->product_id, 'name' => $a->product()->name,
                    'state' => $a->state->value,
                    'stateLabel' => $a->state->label(), 'opened' => $a->opened])->all()),
            'purchases' => PayLinks::purchasesToLookAt($order->person), 'joined' => $order->joined_at !== null,
            'facts' => self::facts($order),
        ];
    }

    /** @return list<array{at: string|null, label: string, amount: string, words: string}> in the order in which they were recorded */
    private static function facts(Order $order): array
    {
        return array_values(DB::table('order_facts')->where('order_id', $order->id)->orderBy('id')->get()->map(
            function (object $fact) use ($order): array {
                $data = is_string($fact->data) ? (array) json_decode($fact->data, true) : [];
                $text = fn (string $key): string => is_scalar($data[$key] ?? null) ? (string) $data[$key] : '';

                return ['at' => Instant::jsonFromSql(substr((string) $fact->at, 0, 23)),
                    'label' => FactType::from((string) $fact->type)->label(),
                    'amount' => (int) $fact->amount === 0 ? '' : $order->shown((int) $fact->amount),
                    'words' => implode(' · ', array_filter([$text('name'), $text('why'), $text('words'),
                        $text('coupon') === '' ? '' : "code {$text('coupon')}", $text('due') === '' ? '' : "due {$text('due')}",
                        ($data['number'] ?? '') === '' || $text('due') !== '' ? '' : "number {$text('number')}"]))];
            })->all());
    }
}
