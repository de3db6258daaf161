<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Warmth\Scores;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\WarmthRule> */
final class WarmthRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        $query->whereRaw('(case when '.Scores::REACHED.' then people.warmth else 0 end) '.($rule->not ? '<' : '>=').' ?',
            [$rule->band->least()]);
    }
}
