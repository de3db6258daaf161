<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Orders\RefundState;

/**
 * Money that goes back, out of one payment.
 *
 * @property string $id
 * @property string $order_id
 * @property string $payment_id
 * @property string $key by which the provider knows it
 * @property string $act the refunds of one press of the button
 * @property int $amount in smallest units
 * @property array<int, int> $lines how much of it is for each line, by the line's number
 * @property RefundState $state
 * @property bool $ends_access
 * @property string $why
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $settled_at
 * @property Order $order
 * @property Payment $payment
 */
final class Refund extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['lines' => 'array', 'state' => RefundState::class, 'ends_access' => 'boolean', 'asked_at' => 'immutable_datetime',
        'settled_at' => 'immutable_datetime'];

    protected $attributes = ['settled_at' => null, 'why' => '', 'ends_access' => false];

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    /** @return BelongsTo<Payment, $this> */
    public function payment(): BelongsTo
    {
        return $this->belongsTo(Payment::class);
    }
}
