<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Plan\Success;

/**
 * What an owner wants of a funnel: so many until a day.
 *
 * @property string $id
 * @property string $funnel_id
 * @property Success $what
 * @property int $wanted
 * @property string $until the last day, in the owner's zone
 * @property array<string, float> $rates as they are planned to be, by step
 * @property CarbonImmutable $since from when on it counts
 * @property CarbonImmutable|null $removed_at
 * @property Funnel $funnel
 */
final class FunnelGoal extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['what' => Success::class, 'wanted' => 'integer', 'rates' => 'array', 'since' => 'immutable_datetime',
        'removed_at' => 'immutable_datetime'];

    protected $attributes = ['rates' => '{}', 'removed_at' => null];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
