<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Forms\SubmissionState;

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
 * @property SubmissionState $state
 * @property bool|null $marketing whether the box for further emails was ticked; null where there was none
 * @property string|null $marketing_words
 * @property CarbonImmutable|null $confirmed_at
 * @property string|null $confirmed_ip
 * @property string|null $visitor
 * @property string|null $popup_id in which it was filled in
 * @property string|null $site_id on which that stood, likewise `site_path`
 * @property string|null $site_path
 * @property array{webinar: string, key: string, zone: string}|null $session that was chosen in it
 * @property CarbonImmutable $submitted_at
 * @property Person $person
 * @property Funnel $funnel
 * @property Version $version
 */
final class Submission extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['state' => SubmissionState::class, 'answers' => 'array', 'source' => 'array', 'session' => 'array',
        'consented' => 'boolean',
        'submitted_at' => 'immutable_datetime', 'marketing' => 'boolean', 'confirmed_at' => 'immutable_datetime'];

    protected $attributes = ['state' => 'taken', 'marketing' => null, 'marketing_words' => null, 'confirmed_at' => null,
        'confirmed_ip' => null, 'visitor' => null, 'popup_id' => null, 'site_id' => null, 'site_path' => null, 'session' => null];

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
}
