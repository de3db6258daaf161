<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\Session;

/**
 * Somebody's place in a session of a webinar, or their turn in its waiting list.
 *
 * @property string $id
 * @property int $business_id
 * @property string $funnel_id
 * @property string $version_id under which they registered
 * @property string $webinar_id
 * @property string $person_id
 * @property string|null $submission_id the form that led to it
 * @property string $session_key
 * @property CarbonImmutable $starts_at
 * @property CarbonImmutable $ends_at
 * @property string $zone in which its time is told
 * @property RegistrationState $state
 * @property int|null $open 1 while the session is before them or on; null once it is over or cancelled
 * @property int $number goes up with each change
 * @property bool $owner
 * @property CarbonImmutable $registered_at
 * @property CarbonImmutable $chosen_at when they chose this session
 * @property CarbonImmutable|null $settle_at when to look what became of it
 * @property CarbonImmutable|null $settled_at
 * @property CarbonImmutable|null $cancelled_at
 * @property CarbonImmutable|null $came_at
 * @property CarbonImmutable|null $attended_at
 * @property CarbonImmutable|null $saw_offer_at
 * @property CarbonImmutable|null $left_early_at
 * @property CarbonImmutable|null $missed_at
 * @property CarbonImmutable|null $watched_replay_at
 * @property int $live_seconds
 * @property int $replay_seconds
 * @property Person $person
 * @property Funnel $funnel
 * @property Version $version
 */
final class Registration extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['starts_at' => 'immutable_datetime', 'ends_at' => 'immutable_datetime', 'registered_at' => 'immutable_datetime',
        'chosen_at' => 'immutable_datetime', 'settle_at' => 'immutable_datetime', 'settled_at' => 'immutable_datetime',
        'cancelled_at' => 'immutable_datetime', 'came_at' => 'immutable_datetime', 'attended_at' => 'immutable_datetime',
        'saw_offer_at' => 'immutable_datetime', 'left_early_at' => 'immutable_datetime', 'missed_at' => 'immutable_datetime',
        'watched_replay_at' => 'immutable_datetime', 'owner' => 'boolean', 'state' => RegistrationState::class];

    protected $attributes = ['open' => 1, 'number' => 0, 'owner' => false, 'submission_id' => null, 'settle_at' => null,
        'settled_at' => null, 'cancelled_at' => null, 'came_at' => null, 'attended_at' => null, 'saw_offer_at' => null,
        'left_early_at' => null, 'missed_at' => null, 'watched_replay_at' => null, 'live_seconds' => 0, 'replay_seconds' => 0];

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

    /** @return BelongsTo<Version, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(Version::class);
    }

    public function session(): Session
    {
        return new Session($this->session_key, $this->starts_at, $this->ends_at, new DateTimeZone($this->zone));
    }

    /** Does it begin when its person likes? */
    public function isOnDemand(): bool
    {
        return $this->session_key === 'd';
    }
}
