<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * A sequence that paused, and how far it has come with going on again.
 *
 * @property string $sequence_id
 * @property CarbonImmutable $paused_at
 * @property CarbonImmutable|null $resumes_at since when it is going on again
 * @property int $resume_place the last enrolment for which it does
 */
final class SequencePause extends Record
{
    protected $primaryKey = 'sequence_id';

    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['paused_at' => 'immutable_datetime', 'resumes_at' => 'immutable_datetime'];

    protected $attributes = ['resumes_at' => null, 'resume_place' => 0];
}
