<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\TagRule> */
final class TagRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        // Looked up once: then each person is one step in the primary key.
        $tag = (int) DB::table('tags')->where('business_id', $business->id)->where('name_key', mb_strtolower($rule->tag))->value('id');
        $query->addWhereExistsQuery(DB::table('person_tag')->whereColumn('person_tag.person_id', 'people.id')
            ->where('person_tag.tag_id', $tag)->selectRaw('1'), 'and', $rule->not);
    }
}
