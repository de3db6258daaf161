<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\GuideRule> */
final class GuideRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        [$table, $of, $at] = match ($rule->did) {
            'page' => ['guide_pages_seen', 'page_id', 'read_at'],
            'finished' => ['guide_progress', 'guide_id', 'finished_at'],
            default => ['guide_progress', 'guide_id', 'begun_at'],
        };
        $since = $rule->since($now);
        $theirs = DB::table($table)->selectRaw('1')->whereColumn("{$table}.person_id", 'people.id')->where($of, $rule->with);
        $rule->did === 'share' ? $theirs->where('share', '>=', $rule->share)
            : $theirs->whereNotNull($at)->when($since !== null, fn (Builder $q) => $q->where($at, '>=',
                Instant::sql($since ?? $now)));
        $query->addWhereExistsQuery($theirs, 'and', $rule->not);
    }
}
