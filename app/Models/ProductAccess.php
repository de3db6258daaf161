<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Offers\Product;
use Lantern\Core\Orders\AccessState;
use Lantern\Core\Support\Shape;

/**
 * One person's right to a product.
 *
 * @property string $id
 * @property int $business_id
 * @property string $person_id
 * @property string $funnel_id
 * @property string $product_id
 * @property string|null $order_id none where the owner gave it by hand
 * @property array<string, mixed> $product as it was when it was given
 * @property AccessState $state
 * @property CarbonImmutable $given_at
 * @property CarbonImmutable $changed_at
 * @property int $opened how often
 * @property Person $person
 * @property Funnel $funnel
 * @property Order|null $order
 */
final class ProductAccess extends Record
{
    use HasUlids;

    protected $table = 'accesses';

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['product' => 'array', 'state' => AccessState::class, 'given_at' => 'immutable_datetime',
        'changed_at' => 'immutable_datetime'];

    protected $attributes = ['opened' => 0, 'order_id' => null];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    public function product(): Product
    {
        return Product::fromShape(Shape::of($this->product));
    }
}
