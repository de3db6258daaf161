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
 * @property string|null $sequence_id
 * @property array<string, mixed>|null $only for whom it is, beside being in the sequence
 * @property int $revision
 * @property CarbonImmutable|null $deleted_at
 * @property Funnel $funnel
 */
final class Email extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['delay' => 'array', 'only' => 'array', 'deleted_at' => 'immutable_datetime'];

    protected $attributes = ['deleted_at' => null, 'sequence_id' => null, 'only' => null];

    protected static function booted(): void
    {
        // An email that says nothing else belongs to the first sequence of its funnel.
        self::creating(function (self $email): void {
            $email->sequence_id ??= Sequence::query()->where('funnel_id', $email->funnel_id)->whereNull('deleted_at')->orderBy('id')->value('id');
        });
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
