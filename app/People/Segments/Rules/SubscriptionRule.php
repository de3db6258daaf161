<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\People\Segments\SegmentQuery;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\SubscriptionRule> */
final class SubscriptionRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        SegmentQuery::subscription($query, $rule->subscription, ! $rule->not);
    }
}
