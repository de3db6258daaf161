<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An email of a draft's sequence.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $name
 * @property string $subject
 * @property string $body sanitised HTML
 * @property array<string, int> $delay
 * @property int $revision
 * @property CarbonImmutable|null $deleted_at
 * @property Funnel $funnel
 */
final class Email extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['delay' => 'array', 'deleted_at' => 'immutable_datetime'];

    protected $attributes = ['deleted_at' => null];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
