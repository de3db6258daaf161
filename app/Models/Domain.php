<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Homes;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Domains\DomainFinding;
use Lantern\Core\Domains\DomainState;
use Lantern\Core\Domains\DomainUse;

/**
 * A domain of an owner's, on which public pages stand.
 *
 * @property string $id
 * @property int $business_id
 * @property string $name as the DNS writes it
 * @property DomainUse $leads_to
 * @property string|null $funnel_id which it is for, or which is its front page
 * @property string|null $primary_of what links are made with it for: `business:1` or `funnel:…`; null where they lead on from it
 * @property string $token by which is seen that it leads to us
 * @property DomainFinding|null $finding of the last look
 * @property list<string> $found addresses that the last look found
 * @property CarbonImmutable|null $checked_at
 * @property CarbonImmutable|null $worked_at when it was found to work for the last time
 * @property CarbonImmutable|null $removed_at
 * @property CarbonImmutable $created_at
 * @property Business $business
 * @property Funnel|null $funnel
 */
final class Domain extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['leads_to' => DomainUse::class, 'finding' => DomainFinding::class, 'found' => 'array',
        'checked_at' => 'immutable_datetime', 'worked_at' => 'immutable_datetime', 'removed_at' => 'immutable_datetime'];

    protected $attributes = ['funnel_id' => null, 'primary_of' => null, 'finding' => null, 'found' => '[]', 'checked_at' => null,
        'worked_at' => null, 'removed_at' => null];

    protected static function booted(): void
    {
        self::saved(fn () => app(Homes::class)->forget());
        self::deleted(fn () => app(Homes::class)->forget());
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    public function state(): DomainState
    {
        return DomainState::of($this->finding, $this->worked_at !== null);
    }

    public function isPrimary(): bool
    {
        return $this->primary_of !== null;
    }

    /** What it would be the primary one of; null for one that is for a funnel that is gone. */
    public function target(): ?string
    {
        return match (true) {
            $this->leads_to === DomainUse::Business => Homes::ofBusiness($this->business_id),
            default => $this->funnel_id === null ? null : Homes::ofFunnel($this->funnel_id),
        };
    }
}
