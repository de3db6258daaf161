<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * What a rule does, or will do, for somebody because of something that happened.
 *
 * @property int $id
 * @property int $business_id
 * @property string $rule_id
 * @property string|null $funnel_id none of a rule of the whole business
 * @property string $person_id
 * @property string $occurrence
 * @property RuleRunState $state
 * @property string $why what happened, in a sentence
 * @property int|null $cause_id the run of another rule that led to it
 * @property int $depth how many rules led to it, one by the other
 * @property int $tries
 * @property CarbonImmutable $happened_at
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $acted_at
 * @property list<array{words: string, trouble: string}>|null $did
 * @property string|null $trouble
 */
final class RuleRun extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['state' => RuleRunState::class, 'happened_at' => 'immutable_datetime', 'due_at' => 'immutable_datetime',
        'acted_at' => 'immutable_datetime', 'did' => 'array'];
}
