<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One link in one confirmation mail. It works once, until it expires.
 *
 * @property string $id
 * @property string $submission_id
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable|null $used_at
 * @property CarbonImmutable $created_at
 * @property Submission $submission
 */
final class Confirmation extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['expires_at' => 'immutable_datetime', 'used_at' => 'immutable_datetime'];

    protected $attributes = ['used_at' => null];

    /** @return BelongsTo<Submission, $this> */
    public function submission(): BelongsTo
    {
        return $this->belongsTo(Submission::class);
    }
}
