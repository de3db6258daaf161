<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Homes;
use App\Support\SiteAddress;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Lantern\Core\Money\Currency;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Success;
use Lantern\Core\Visits\Opening;
use Lantern\Core\Visits\Openness;

/**
 * A funnel's draft, and which version of it is live.
 *
 * @property string $id
 * @property int $business_id
 * @property string $name private; never shown to visitors
 * @property string $goal what its starter was for
 * @property string|null $judged_by what it is judged by; null where that follows from its goal
 * @property string $address
 * @property string $look
 * @property array<string, mixed> $look_changes what the owner made their own in the look
 * @property list<string> $labels by which the owner sorts funnels
 * @property string|null $logo the id of a picture
 * @property string|null $icon likewise
 * @property string|null $currency in which it sells; null for that of the business
 * @property string $language in which it speaks to visitors, as {@see \Lantern\Core\Languages\Language} reads it
 * @property array<string, array<string, string>> $phrases what it says to its visitors in other words: by language and key
 * @property array<string, string> $fields the funnel's own merge fields
 * @property list<string> $parameters address parameters that may be used as merge fields
 * @property array<string, mixed> $times when the draft would be open
 * @property CarbonImmutable|null $opens_at of what is live, likewise `closes_at`
 * @property CarbonImmutable|null $closes_at
 * @property CarbonImmutable|null $closed_at when it closed by itself
 * @property FunnelState $state
 * @property list<array{part: string, what: string, name: string, text: string, ended?: string}> $set_aside see {@see \App\Drafts\SetAside}
 * @property string|null $live_version_id
 * @property CarbonImmutable|null $archived_at
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property Business $business
 * @property \Illuminate\Database\Eloquent\Collection<int, DraftPart> $parts
 * @property \Illuminate\Database\Eloquent\Collection<int, Way> $ways
 * @property Version|null $liveVersion
 */
final class Funnel extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['phrases' => 'array', 'state' => FunnelState::class, 'archived_at' => 'immutable_datetime',
        'look_changes' => 'array',
        'labels' => 'array',
        'fields' => 'array', 'parameters' => 'array', 'set_aside' => 'array', 'times' => 'array',
        'opens_at' => 'immutable_datetime', 'closes_at' => 'immutable_datetime', 'closed_at' => 'immutable_datetime'];

    protected $attributes = ['state' => 'draft', 'live_version_id' => null, 'archived_at' => null,
        'look_changes' => '{}', 'labels' => '[]',
        'currency' => null, 'language' => 'en', 'phrases' => '{}', 'logo' => null, 'icon' => null, 'fields' => '{}', 'parameters' => '[]',
        'set_aside' => '[]', 'times' => '{}', 'opens_at' => null, 'closes_at' => null, 'closed_at' => null];

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return HasMany<DraftPart, $this> the parts that are there */
    public function parts(): HasMany
    {
        return $this->hasMany(DraftPart::class)->chaperone()->whereNull('removed')->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Way, $this> where outcomes of its pages lead */
    public function ways(): HasMany
    {
        return $this->hasMany(Way::class)->orderBy('id');
    }

    /** @return BelongsTo<Version, $this> */
    public function liveVersion(): BelongsTo
    {
        return $this->belongsTo(Version::class, 'live_version_id');
    }

    /** Can visitors reach its pages at this moment? */
    public function isOpen(CarbonImmutable $now): bool
    {
        return $this->opening()->at($now) === Openness::Open;
    }

    /** What it is judged by: every number of it speaks of that. */
    public function success(): Success
    {
        return Success::tryFrom((string) $this->judged_by) ?? Success::of(Goal::from($this->goal));
    }

    public function opening(): Opening
    {
        return new Opening($this->state, $this->archived_at === null && $this->live_version_id !== null, $this->opens_at, $this->closes_at);
    }

    /** In which it sells, by ISO 4217. */
    public function sellsIn(): string
    {
        return $this->currency ?? (Currency::isKnown($this->business->currency) ? $this->business->currency : 'EUR');
    }

    /** Where its pages stand: on a domain of the owner's, or on the site. */
    public function site(): SiteAddress
    {
        return app(Homes::class)->funnel($this->business_id, $this->id, $this->address);
    }

    public function url(string $page = ''): string
    {
        return $this->site()->url($page);
    }
}
