<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Homes;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link by which somebody else may look at the results of a funnel, until it is taken back.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $key
 * @property int $days of the last so many
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $ended_at
 * @property Funnel $funnel
 */
final class ResultLink extends Record
{
    use HasUlids;

    public const UPDATED_AT = null;

    /** @var array<string, string> */
    protected $casts = ['days' => 'integer', 'created_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];

    protected $attributes = ['ended_at' => null];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    public function url(): string
    {
        return Homes::link($this->funnel->business_id, $this->funnel_id, "/m/results/{$this->key}");
    }
}
