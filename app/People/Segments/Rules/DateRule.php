<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Support\Instant;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\DateRule> */
final class DateRule implements RuleSql
{
    private const COLUMNS = ['joined' => 'people.joined_at', 'active' => 'people.active_at'];

    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        [$operator, $bound] = $rule->bound($now, $business->zone());
        $column = self::COLUMNS[$rule->date] ?? null;
        if ($column === null) {
            $this->own($query, $rule->date, $operator, $bound, $business->zone());

            return;
        }
        $query->whereNotNull($column)->where($column, $operator, Instant::sql($bound));
    }

    /** An own field holds a day; compared are the days on which the moments asked for fall, in the owner's zone. */
    private function own(Builder $query, string $field, string $operator, DateTimeImmutable $bound, DateTimeZone $zone): void
    {
        $local = $bound->setTimezone($zone);
        $day = $local->format('Y-m-d');
        // A day begins at midnight: on the day of a bound after midnight it has begun before that bound.
        $first = $local->format('His.u') === '000000.000000' ? $day : $local->modify('+1 day')->format('Y-m-d');
        $query->addWhereExistsQuery(DB::table('person_values')->whereColumn('person_values.person_id', 'people.id')
            ->where('person_values.name', $field)
            ->whereRaw("value glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]'")->where('value', $operator, $first)->selectRaw('1'));
    }
}
