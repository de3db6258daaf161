<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Records\DeadlineOwner;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Rule;

/**
 * As {@see \Lantern\Core\Deadlines\HeldRun} has it: a run of the other kind than the deadline has now holds while it runs, and before
 * any of this kind.
 *
 * @implements RuleSql<\Lantern\Core\Rules\DeadlineRule>
 */
final class DeadlineRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        $everyone = DeadlineOwner::everyone()->key;
        $personal = DB::table('deadline_kinds')->where('deadline_id', $rule->deadline)->value('personal');
        $isPersonal = $personal === null ? null : (bool) $personal;
        $runs = fn (?string $holder): Builder => DB::table('deadline_runs')->selectRaw('1')->where('deadline_id', $rule->deadline)
            ->where(fn (Builder $q) => $q->whereColumn('deadline_runs.person_id', 'people.id')->orWhere('holder', $everyone))
            ->when($holder !== null, fn (Builder $q) => $q->where('holder', (string) $holder, $everyone));
        $running = fn (Builder $q): Builder => $q->whereNull('closed_at')->where('ends_at', '>', Instant::sql($now));
        // One that was never published is of no other kind than it was.
        $ofThisKind = fn (): Builder => $runs($isPersonal === null ? null : ($isPersonal ? '!=' : '='));
        $ofOtherKind = fn (): Builder => $isPersonal === null ? $runs(null)->whereRaw('1 = 0') : $runs($isPersonal ? '=' : '!=');
        match ($rule->state) {
            'not-started' => $query->addWhereExistsQuery($running($ofOtherKind()), 'and', true)
                ->addWhereExistsQuery($ofThisKind(), 'and', true),
            'over' => $query->addWhereExistsQuery($running($ofOtherKind()), 'and', true)->addWhereExistsQuery($ofThisKind())
                ->addWhereExistsQuery($running($ofThisKind()), 'and', true),
            default => $query->where(fn (Builder $q) => $q->addWhereExistsQuery($running($ofOtherKind()))
                ->addWhereExistsQuery($running($ofThisKind()), 'or')),
        };
    }
}
