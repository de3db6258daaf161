<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Somebody on the list: one for each address.
 *
 * @property string $id
 * @property int $business_id
 * @property string $email as typed
 * @property string $email_key by which two spellings are one person
 * @property string $first_name
 * @property string $last_name
 * @property string $phone
 * @property string|null $timezone
 * @property bool $owner_try joined only in the owner's own browser, while trying things out
 * @property CarbonImmutable|null $unsubscribed_at
 * @property CarbonImmutable $joined_at
 * @property Business $business
 * @property \Illuminate\Database\Eloquent\Collection<int, Tag> $tags
 */
final class Person extends Record
{
    use HasUlids;

    protected $table = 'people';

    /** @var array<string, string> */
    protected $casts = ['owner_try' => 'boolean', 'unsubscribed_at' => 'immutable_datetime', 'joined_at' => 'immutable_datetime'];

    protected $attributes = ['first_name' => '', 'last_name' => '', 'phone' => '', 'timezone' => null, 'unsubscribed_at' => null, 'owner_try' => false];

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsToMany<Tag, $this> */
    public function tags(): BelongsToMany
    {
        return $this->belongsToMany(Tag::class)->withPivot(['funnel_id', 'tagged_at'])->orderBy('name');
    }

    /** @return HasMany<Submission, $this> */
    public function submissions(): HasMany
    {
        return $this->hasMany(Submission::class);
    }
}
