<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A section kept once and shown on many pages of a funnel.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $name
 * @property array<string, mixed> $section
 * @property int $revision
 * @property Funnel $funnel
 */
final class SharedSection extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['section' => 'array'];

    protected $attributes = ['revision' => 1];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
