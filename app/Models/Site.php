<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A web site of the owner's, elsewhere, on which pop-ups and forms are placed.
 *
 * @property string $id
 * @property int $business_id
 * @property string $name
 * @property string $origin such as `https://blog.example`
 * @property CarbonImmutable|null $seen_at when our script was last seen on it
 * @property CarbonImmutable|null $deleted_at
 * @property Business $business
 */
final class Site extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['seen_at' => 'immutable_datetime', 'deleted_at' => 'immutable_datetime'];

    protected $attributes = ['seen_at' => null, 'deleted_at' => null];

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }
}
