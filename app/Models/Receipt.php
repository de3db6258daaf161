<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Orders\ReceiptKind;

/**
 * What a buyer gets in writing: of a purchase, a later payment, or a refund. What it says is written once and stays.
 *
 * @property string $id
 * @property int $business_id
 * @property string $order_id
 * @property int $number of the business's receipts, without gaps
 * @property ReceiptKind $kind
 * @property string $key what it is of, once
 * @property array<string, mixed> $content
 * @property CarbonImmutable $issued_at
 * @property Order $order
 */
final class Receipt extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['kind' => ReceiptKind::class, 'content' => 'array', 'issued_at' => 'immutable_datetime'];

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }
}
