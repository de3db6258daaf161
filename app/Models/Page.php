<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A page of a draft.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $role
 * @property string $name
 * @property string $address '' for the entry page
 * @property int $position
 * @property array<string, mixed> $document
 * @property int $revision goes up with each change, so that two windows cannot overwrite each other unseen
 * @property Funnel $funnel
 * @property \Illuminate\Database\Eloquent\Collection<int, Way> $ways
 */
final class Page extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['document' => 'array'];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    /** @return HasMany<Way, $this> */
    public function ways(): HasMany
    {
        return $this->hasMany(Way::class);
    }
}
