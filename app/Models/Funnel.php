<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A funnel's draft, and which version of it is live.
 *
 * @property string $id
 * @property int $business_id
 * @property string $name private; never shown to visitors
 * @property string $goal
 * @property string $address
 * @property string $look
 * @property string|null $accent
 * @property string $state draft, live or closed
 * @property string|null $live_version_id
 * @property CarbonImmutable|null $archived_at
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property Business $business
 * @property \Illuminate\Database\Eloquent\Collection<int, Page> $pages
 * @property \Illuminate\Database\Eloquent\Collection<int, Form> $forms
 * @property \Illuminate\Database\Eloquent\Collection<int, Email> $emails
 * @property \Illuminate\Database\Eloquent\Collection<int, LeadMagnet> $leadMagnets
 * @property Version|null $liveVersion
 */
final class Funnel extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['archived_at' => 'immutable_datetime'];

    protected $attributes = ['state' => 'draft', 'live_version_id' => null, 'accent' => null, 'archived_at' => null];

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return HasMany<Page, $this> */
    public function pages(): HasMany
    {
        return $this->hasMany(Page::class)->orderBy('position');
    }

    /** @return HasMany<Form, $this> */
    public function forms(): HasMany
    {
        return $this->hasMany(Form::class)->orderBy('id');
    }

    /** @return HasMany<Email, $this> */
    public function emails(): HasMany
    {
        return $this->hasMany(Email::class)->whereNull('deleted_at')->orderBy('id');
    }

    /** @return HasMany<LeadMagnet, $this> */
    public function leadMagnets(): HasMany
    {
        return $this->hasMany(LeadMagnet::class)->orderBy('id');
    }

    /** @return BelongsTo<Version, $this> */
    public function liveVersion(): BelongsTo
    {
        return $this->belongsTo(Version::class, 'live_version_id');
    }

    public function url(string $page = ''): string
    {
        return url($this->address.($page === '' ? '' : '/'.$page));
    }
}
