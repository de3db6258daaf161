<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One person's right to download one lead magnet.
 *
 * @property string $id
 * @property string $person_id
 * @property string $lead_magnet_id
 * @property string $funnel_id
 * @property CarbonImmutable|null $revoked_at
 * @property int $downloads
 * @property Person $person
 * @property DraftPart|null $leadMagnet
 * @property Funnel $funnel
 */
final class Delivery extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['revoked_at' => 'immutable_datetime'];

    protected $attributes = ['revoked_at' => null, 'downloads' => 0];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<DraftPart, $this> */
    public function leadMagnet(): BelongsTo
    {
        return $this->belongsTo(DraftPart::class, 'lead_magnet_id');
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
