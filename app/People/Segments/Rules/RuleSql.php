<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Lantern\Core\Rules\Rule;

/**
 * A kind of rule as a condition of a query of `people`. It says of everybody what {@see Rule::holds()} says of one; a test
 * holds the two together.
 *
 * @template T of Rule
 */
interface RuleSql
{
    /** @param  T  $rule */
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void;
}
