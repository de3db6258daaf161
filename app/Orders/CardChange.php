<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Order;
use App\Models\Payment;
use App\People\Proof\Proven;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;

/** A new card for a plan that is being paid. What is owed is charged to it at once. */
final readonly class CardChange
{
    public function __construct(private Reconciling $reconciling, private PaymentPlans $plans)
    {
    }

    /** @return Collection<int, Order> what a person has bought, the newest first */
    public function orders(Proven $proven): Collection
    {
        return Order::query()->with(['receipts', 'payments', 'lines', 'business'])->where('person_id', $proven->person->id)
            ->whereNotNull('bought_at')
            ->latest('bought_at')->get();
    }

    /** An order of this person of which something is still to be paid. */
    public function order(Proven $proven, string $id): ?Order
    {
        $order = Order::query()->where('person_id', $proven->person->id)->whereNotNull('bought_at')->find($id);

        return $order !== null && $this->plans->owed($order)->exists() ? $order : null;
    }

    /**
     * @param  string  $method  what the card fields handed over
     * @return Phrase|string '' when all is well; what is wrong; or the address of the bank that asks first
     */
    public function change(Order $order, string $method): Phrase|string
    {
        DB::transaction(function () use ($order, $method): void {
            $order->forceFill(['method' => $method, 'card_ends' => null])->save();
            OrderLog::add($order, FactType::CardChanged, CarbonImmutable::now());
        });
        // The one that has failed; those that are not due yet wait for their day.
        $owed = Payment::query()->where('order_id', $order->id)->where('purpose', PaymentPurpose::Later)->where('state', PaymentState::Due)
            ->whereNotNull('first_failed_at')->orderBy('due_at')->first();
        if ($owed === null) {
            return '';
        }
        $paid = $this->reconciling->charge($owed->setRelation('order', $order->refresh()));

        return match ($paid->state) {
            PaymentState::Failed => $paid->trouble?->phrase() ?? Phrase::of('card.failed'),
            PaymentState::Bank => (string) $paid->bank_url,
            default => '',
        };
    }
}
