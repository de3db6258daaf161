<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * One call to an owner's own web address: waiting, calling, done or failed.
 *
 * @property string $id
 * @property int $business_id
 * @property string|null $submission_id
 * @property string|null $person_id of whom a rule told
 * @property string $url
 * @property string $payload JSON, as it was or will be sent
 * @property CallState $state
 * @property int $attempts
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $queued_at when a worker was asked to make it
 * @property int|null $status of the last answer
 * @property string|null $answer
 * @property CarbonImmutable $created_at
 */
final class HookCall extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['state' => CallState::class, 'due_at' => 'immutable_datetime', 'queued_at' => 'immutable_datetime'];

    protected $attributes = ['state' => 'waiting', 'attempts' => 0, 'status' => null, 'person_id' => null, 'answer' => null];
}
