<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Automation\OwnerRules;
use App\Models\BusinessRule;
use App\Models\Person;
use App\Models\RuleRun;
use App\Models\RuleRunState;
use App\Records\RuleNames;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Rules and what they did, as the Studio reads them. */
final class RuleJson
{
    /** @return array<string, mixed> */
    public static function of(BusinessRule $row, OwnerRules $rules): array
    {
        $rule = $row->rule();

        return ['id' => $row->id, 'name' => $rule->name, 'revision' => $row->revision]
            + RuleNames::json($rule, $row->business_id, DB::table('rule_pauses')->where('rule_id', $row->id)->exists())
            + ['circle' => $rule->eachTime ? $rules->circle($rule, $row->business_id) : ''];
    }

    /**
     * How often each rule acted in the last four weeks, for how many it waits, and whether it had trouble.
     *
     * @param  list<string>  $rules  ids
     * @return array<string, array{done: int, waiting: int, trouble: int}> by id; a rule that never began is not in it
     */
    public static function numbers(array $rules): array
    {
        $since = Instant::sql(CarbonImmutable::now()->subDays(28));
        $numbers = [];
        foreach (DB::table('rule_runs')->whereIn('rule_id', $rules)->where(fn ($q) => $q->where('state', RuleRunState::Waiting->value)
            ->orWhere('acted_at', '>=', $since)->orWhere('happened_at', '>=', $since))->groupBy('rule_id', 'state')
            ->selectRaw("rule_id, state, count(*) as many, sum(trouble is not null and state != 'passed') as troubled")->get() as $row) {
            $known = $numbers[(string) $row->rule_id] ?? ['done' => 0, 'waiting' => 0, 'trouble' => 0];
            $numbers[(string) $row->rule_id] = [
                'done' => $known['done'] + ($row->state === RuleRunState::Done->value ? (int) $row->many : 0),
                'waiting' => $known['waiting'] + ($row->state === RuleRunState::Waiting->value ? (int) $row->many : 0),
                'trouble' => $known['trouble'] + (int) $row->troubled];
        }

        return $numbers;
    }

    /** @return array<string, mixed> */
    public static function run(RuleRun $run, ?Person $person): array
    {
        return ['id' => $run->id, 'state' => $run->state->value, 'why' => $run->why, 'trouble' => $run->trouble,
            'did' => $run->did ?? [], 'happenedAt' => Instant::json($run->happened_at), 'dueAt' => Instant::json($run->due_at),
            'actedAt' => $run->acted_at === null ? null : Instant::json($run->acted_at), 'after' => $run->depth > 1,
            'person' => $person === null ? null : ['id' => $person->id,
                'name' => $person->fullName() === '' ? $person->email : $person->fullName()]];
    }
}
