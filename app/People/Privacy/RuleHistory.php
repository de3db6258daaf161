<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\RuleRun;
use App\Models\RuleRunState;
use App\Records\RuleNames;
use App\Support\Instant;

/** What rules did for them, and why. Where the rule's conditions did not hold there is nothing to tell. */
final class RuleHistory implements TellsHistory
{
    public static function kinds(): array
    {
        return array_map(fn (RuleRunState $s): string => "rule-{$s->value}", RuleRunState::cases());
    }

    public static function tell(string $person, array $names, int $most): array
    {
        $told = $called = [];
        foreach (RuleRun::query()->where('person_id', $person)->where('state', '!=', RuleRunState::Passed)->orderByDesc('id')->limit($most)
            ->get() as $run) {
            $did = array_map(fn (array $d): string => $d['trouble'] === '' ? $d['words'] : "{$d['words']}: {$d['trouble']}",
                $run->did ?? []);
            $called[$run->rule_id] ??= RuleNames::of($run->rule_id);
            $what = $called[$run->rule_id].($did === [] ? '' : ': '.implode(', ', $did))
                .($run->trouble !== null && $did === [] ? ". {$run->trouble}" : '')." ({$run->why})";
            $told[] = ['kind' => "rule-{$run->state->value}", 'at' => Instant::json($run->acted_at ?? $run->due_at), 'what' => $what,
                'funnel' => $names[(string) $run->funnel_id] ?? '', 'source' => null, 'id' => "u{$run->id}", 'message' => null];
        }

        return $told;
    }
}
