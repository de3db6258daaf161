<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;

/**
 * One message to one person: waiting, sending (claimed by a worker), sent, failed or cancelled.
 *
 * @property string $id
 * @property int $business_id
 * @property string|null $person_id nobody's for what goes to the owner
 * @property string|null $funnel_id
 * @property string|null $version_id
 * @property string|null $email_id
 * @property string|null $sequence_id
 * @property string|null $broadcast_id
 * @property string|null $variant of a split test
 * @property array<string, mixed>|null $content what is written out here and nowhere else
 * @property MessageKind $kind
 * @property string $unique_key
 * @property int $run of the sequence that it belongs to; 2 for a broadcast that is sent once more
 * @property int $deadline_run of the deadline it is told from
 * @property string|null $registration_id it is told from
 * @property int $registration_number how often that had been changed
 * @property string $name
 * @property string $to_address
 * @property string $subject
 * @property string|null $html
 * @property string|null $text
 * @property MessageState $state
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $claimed_at
 * @property int $attempts
 * @property CarbonImmutable|null $sent_at
 * @property string|null $trouble
 * @property Business $business
 * @property CarbonImmutable|null $opened_at
 * @property int $opens
 * @property CarbonImmutable|null $clicked_at
 * @property int $clicks
 * @property CarbonImmutable|null $lost_at when its reader was lost through it, and how in `lost_why`
 * @property string|null $lost_why
 * @property Person|null $person
 * @property Funnel|null $funnel
 */
final class Message extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['state' => MessageState::class, 'kind' => MessageKind::class, 'run' => 'integer', 'deadline_run' => 'integer',
        'registration_number' => 'integer', 'due_at' => 'immutable_datetime',
        'claimed_at' => 'immutable_datetime', 'sent_at' => 'immutable_datetime',
        'opened_at' => 'immutable_datetime', 'clicked_at' => 'immutable_datetime', 'lost_at' => 'immutable_datetime', 'content' => 'array'];

    protected $attributes = ['state' => 'waiting', 'run' => 1, 'deadline_run' => 1, 'registration_id' => null, 'registration_number' => 0,
        'attempts' => 0, 'subject' => '', 'html' => null, 'text' => null,
        'claimed_at' => null, 'sent_at' => null, 'trouble' => null, 'version_id' => null, 'email_id' => null,
        'person_id' => null, 'sequence_id' => null, 'broadcast_id' => null, 'variant' => null, 'content' => null, 'opened_at' => null,
        'clicked_at' => null, 'lost_at' => null, 'lost_why' => null, 'opens' => 0, 'clicks' => 0];

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

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
