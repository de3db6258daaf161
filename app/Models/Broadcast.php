<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Emails\BroadcastPlan;
use Lantern\Core\Emails\BroadcastState;
use Lantern\Core\Support\Shape;

/**
 * An email to many at once: draft, scheduled, testing (a split test runs), sending, sent or cancelled.
 *
 * @property string $id
 * @property int $business_id
 * @property string|null $funnel_id whose look and merge fields it uses
 * @property string $name
 * @property string $subject
 * @property string $body sanitised HTML
 * @property array<string, mixed> $audience rules
 * @property array<string, mixed> $settings split test and sending again
 * @property BroadcastState $state
 * @property int $revision
 * @property CarbonImmutable|null $send_at
 * @property CarbonImmutable|null $started_at
 * @property CarbonImmutable|null $picked_at
 * @property string|null $winner
 * @property string|null $winner_why
 * @property CarbonImmutable|null $again_at when it went out again to those who had not opened it
 * @property CarbonImmutable|null $deleted_at
 * @property CarbonImmutable $updated_at
 * @property Funnel|null $funnel
 */
final class Broadcast extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['state' => BroadcastState::class, 'audience' => 'array', 'settings' => 'array', 'send_at' => 'immutable_datetime',
        'started_at' => 'immutable_datetime',
        'picked_at' => 'immutable_datetime', 'again_at' => 'immutable_datetime', 'deleted_at' => 'immutable_datetime'];

    protected $attributes = ['funnel_id' => null, 'subject' => '', 'body' => '', 'audience' => '{"all":true,"of":[]}', 'settings' => '{}',
        'state' => 'draft', 'revision' => 1,
        'send_at' => null, 'started_at' => null, 'picked_at' => null, 'winner' => null, 'winner_why' => null, 'again_at' => null,
        'deleted_at' => null];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    public function plan(): BroadcastPlan
    {
        return BroadcastPlan::fromShape(Shape::of($this->settings));
    }

    public function otherSubject(): string
    {
        return $this->plan()->otherSubject;
    }

    public function againSubject(): string
    {
        return $this->plan()->againSubject;
    }
}
