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
 * @property array<string, mixed> $settings title, description … as {@see \Lantern\Core\Plan\PageSettings} writes them
 * @property array{address: string, position: int, nextAddress: string, ways: list<array<string, string|null>>}|null $taken_out what to put back when the page is wanted again
 * @property int $revision goes up with each change, so that two windows cannot overwrite each other unseen
 * @property Funnel $funnel
 * @property \Illuminate\Database\Eloquent\Collection<int, Way> $ways
 */
final class Page extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['document' => 'array', 'settings' => 'array', 'taken_out' => 'array'];

    protected $attributes = ['settings' => '{}', 'taken_out' => null];

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
