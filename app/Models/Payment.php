<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\PaymentTrouble;

/**
 * One payment of an order: its first, one for an extra offer, or a later one of a plan. Another try is another row.
 *
 * @property string $id
 * @property string $order_id
 * @property string $key by which the provider knows it
 * @property int $number of the payment of a plan: 1 for what is paid at once
 * @property int $try
 * @property PaymentPurpose $purpose
 * @property array<int, int> $lines how much of it is for each line, by the line's number
 * @property int $amount in smallest units
 * @property string $currency
 * @property PaymentState $state
 * @property string|null $method what the card fields handed over, or what was kept
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $asked_at
 * @property CarbonImmutable|null $settled_at
 * @property CarbonImmutable|null $first_failed_at when the first try of it failed
 * @property PaymentTrouble|null $trouble why it failed, or why it is not tried again
 * @property string|null $bank_url
 * @property string|null $receipt_id
 * @property Order $order
 */
final class Payment extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['purpose' => PaymentPurpose::class, 'state' => PaymentState::class, 'lines' => 'array',
        'due_at' => 'immutable_datetime', 'asked_at' => 'immutable_datetime', 'settled_at' => 'immutable_datetime',
        'first_failed_at' => 'immutable_datetime', 'trouble' => PaymentTrouble::class];

    protected $attributes = ['number' => 1, 'try' => 1, 'method' => null, 'asked_at' => null, 'settled_at' => null,
        'first_failed_at' => null, 'trouble' => null, 'bank_url' => null, 'receipt_id' => null];

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    public function money(): Money
    {
        return $this->order->money($this->amount);
    }
}
