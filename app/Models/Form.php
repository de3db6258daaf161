<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A form of a draft.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $name
 * @property array<string, mixed> $definition fields, button, consent, consentRequired, tags
 * @property int $revision
 * @property \Carbon\CarbonImmutable|null $deleted_at
 * @property Funnel $funnel
 */
final class Form extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array'];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
