<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\DeadlineRule> */
final class DeadlineRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        $runs = DB::table('deadline_runs')->selectRaw('1')->where('deadline_id', $rule->deadline)
            ->where(fn (Builder $q) => $q->whereColumn('deadline_runs.person_id', 'people.id')->orWhere('holder', 'everyone'));
        $over = fn (Builder $q): Builder => $q->whereNotNull('closed_at')->orWhere('ends_at', '<=', Instant::sql($now));
        match ($rule->state) {
            'not-started' => $query->addWhereExistsQuery($runs, 'and', true),
            'over' => $query->addWhereExistsQuery($runs->where($over)),
            default => $query->addWhereExistsQuery($runs->whereNull('closed_at')->where('ends_at', '>', Instant::sql($now))),
        };
    }
}
