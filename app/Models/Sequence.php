<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A sequence of a draft. Whether it stands still is not drafted: it holds at once.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $name
 * @property array<string, mixed> $definition what starts and ends it, and when its emails may go out
 * @property int $revision
 * @property CarbonImmutable|null $paused_at
 * @property CarbonImmutable|null $resumes_at while it is going on again, since when
 * @property int $resume_place the last enrolment for which it goes on
 * @property CarbonImmutable|null $deleted_at
 * @property Funnel $funnel
 */
final class Sequence extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array', 'paused_at' => 'immutable_datetime', 'resumes_at' => 'immutable_datetime', 'deleted_at' => 'immutable_datetime'];

    protected $attributes = ['definition' => '{}', 'paused_at' => null, 'resumes_at' => null, 'resume_place' => 0, 'deleted_at' => null, 'revision' => 1];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
