<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A form filled in once, with the words that were agreed to.
 *
 * @property string $id
 * @property string $token
 * @property string $funnel_id
 * @property string $version_id
 * @property string $page_id
 * @property string $form_id
 * @property string $person_id
 * @property array<string, string> $answers
 * @property string $consent_words
 * @property bool $consented
 * @property string|null $ip
 * @property string|null $user_agent
 * @property array<string, string>|null $source
 * @property CarbonImmutable $submitted_at
 * @property Person $person
 * @property Funnel $funnel
 */
final class Submission extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['answers' => 'array', 'source' => 'array', 'consented' => 'boolean', 'submitted_at' => 'immutable_datetime'];

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
