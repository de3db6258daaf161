<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * What was spent on a source, evenly over some days.
 *
 * @property string $id
 * @property int $business_id
 * @property string $source as visits from it are called
 * @property string $from_day in the owner's zone
 * @property string $to_day
 * @property int $amount in smallest units
 * @property string $currency
 * @property string $note
 * @property CarbonImmutable $created_at
 */
final class Spend extends Record
{
    use HasUlids;

    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = ['amount' => 'integer', 'created_at' => 'immutable_datetime'];

    protected $attributes = ['note' => ''];
}
