<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\QuoteLine;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Support\Shape;

/**
 * One thing in an order.
 *
 * @property int $id
 * @property string $order_id
 * @property int $number within its order, from 1
 * @property LineKind $kind
 * @property string $offer_id
 * @property string $product_id
 * @property string $name of the product
 * @property string $page_id on which it was bought
 * @property array<string, mixed> $line as {@see QuoteLine} writes itself
 * @property int $total in smallest units
 * @property LineState $state
 * @property string|null $receipt_id on which it stands
 * @property string|null $deadline_id under which its offer stood when it was ordered
 * @property int|null $deadline_left seconds that were left of it
 * @property Order $order
 */
final class OrderLine extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['kind' => LineKind::class, 'line' => 'array', 'state' => LineState::class];

    protected $attributes = ['receipt_id' => null, 'deadline_id' => null, 'deadline_left' => null];

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    public function quoted(): QuoteLine
    {
        return QuoteLine::fromShape(Shape::of($this->line));
    }
}
