<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * Something done to many people at once.
 *
 * @property string $id
 * @property int $business_id
 * @property string $kind
 * @property array<string, mixed> $data
 * @property int $people how many it touched
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $undone_at
 */
final class BulkAct extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['data' => 'array', 'undone_at' => 'immutable_datetime'];

    protected $attributes = ['people' => 0, 'undone_at' => null];
}
