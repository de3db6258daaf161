<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Support\Instant;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Rules\Moments;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\DateRule> */
final class DateRule implements RuleSql
{
    private const COLUMNS = ['joined' => 'people.joined_at', 'active' => 'people.active_at'];

    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        [$operator, $bound] = $rule->bound($now, $business->zone());
        $column = self::COLUMNS[$rule->date] ?? null;
        if (in_array($rule->date, PersonState::OF_PERSON, true)) {
            $query->whereRaw('1 = 0');

            return;
        }
        if ($column === null) {
            $this->own($query, $rule->date, $operator, $bound, $business->zone());

            return;
        }
        $query->whereNotNull($column)->where($column, $operator, Instant::sql($bound));
    }

    /** An own field holds a day; compared are the days on which the moments asked for fall, in the owner's zone. */
    private function own(Builder $query, string $field, string $operator, DateTimeImmutable $bound, DateTimeZone $zone): void
    {
        $day = $bound->setTimezone($zone)->format('Y-m-d');
        // The first day that begins at the bound or after it. A day that a zone skipped begins together with the next one.
        $first = Moments::nextDay($day, Moments::begin($day, $zone) < $bound ? 1 : 0);
        while (Moments::begin($before = Moments::nextDay($first, -1), $zone) >= $bound) {
            $first = $before;
        }
        $query->addWhereExistsQuery(DB::table('person_values')->whereColumn('person_values.person_id', 'people.id')
            ->where('person_values.name', $field)->where('day', $operator, $first)->selectRaw('1'));
    }
}
