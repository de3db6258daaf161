<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * A session of a webinar in which its host did something.
 *
 * @property string $id
 * @property int $business_id
 * @property string $funnel_id
 * @property string $webinar_id
 * @property string $session_key
 * @property CarbonImmutable $starts_at
 * @property CarbonImmutable $ends_at as planned
 * @property CarbonImmutable|null $begun_at by the host, likewise `ended_at`
 * @property CarbonImmutable|null $ended_at
 * @property CarbonImmutable|null $cancelled_at
 * @property int|null $offer_second at which the host showed the offer
 * @property bool $offer_hidden
 */
final class WebinarSession extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['starts_at' => 'immutable_datetime', 'ends_at' => 'immutable_datetime', 'begun_at' => 'immutable_datetime',
        'ended_at' => 'immutable_datetime', 'cancelled_at' => 'immutable_datetime', 'offer_hidden' => 'boolean'];

    protected $attributes = ['begun_at' => null, 'ended_at' => null, 'cancelled_at' => null, 'offer_second' => null,
        'offer_hidden' => false];
}
