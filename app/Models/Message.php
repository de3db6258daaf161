<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One message to one person: waiting, sending (claimed by a worker), sent, failed or cancelled.
 *
 * @property string $id
 * @property int $business_id
 * @property string $person_id
 * @property string|null $funnel_id
 * @property string|null $version_id
 * @property string|null $email_id
 * @property string $kind `sequence` or `new-link`
 * @property string $unique_key
 * @property string $name
 * @property string $to_address
 * @property string $subject
 * @property string|null $html
 * @property string|null $text
 * @property string $state
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $claimed_at
 * @property int $attempts
 * @property CarbonImmutable|null $sent_at
 * @property string|null $trouble
 * @property Business $business
 * @property Person $person
 * @property Funnel|null $funnel
 */
final class Message extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['due_at' => 'immutable_datetime', 'claimed_at' => 'immutable_datetime', 'sent_at' => 'immutable_datetime'];

    protected $attributes = ['state' => 'waiting', 'attempts' => 0, 'subject' => '', 'html' => null, 'text' => null,
        'claimed_at' => null, 'sent_at' => null, 'trouble' => null, 'version_id' => null, 'email_id' => null];

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
