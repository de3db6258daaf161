<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody in a sequence, once for each person and sequence; `run` counts how often they entered it.
 *
 * @property int $id
 * @property string $person_id
 * @property string $sequence_id
 * @property string $funnel_id
 * @property CarbonImmutable $started_at
 * @property int $run
 * @property int $paused_seconds that the sequence stood still since they entered
 * @property CarbonImmutable|null $ended_at
 * @property string|null $ended_why
 * @property Person $person
 * @property Funnel $funnel
 */
final class Enrolment extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['started_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];

    protected $attributes = ['run' => 1, 'paused_seconds' => 0, 'ended_at' => null, 'ended_why' => null];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
