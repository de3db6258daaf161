<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\People\Fields\OwnFields;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Comparison;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\FieldRule> */
final class FieldRule implements RuleSql
{
    /** Fields that stand on the person itself, as they are compared. */
    private const COLUMNS = ['first_name' => 'people.first_key', 'last_name' => 'people.last_key', 'phone' => 'lower(people.phone)',
        'email' => 'lower(people.email)',
        'timezone' => "lower(coalesce(people.timezone, ''))"];

    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        $wanted = mb_strtolower($rule->value);
        $column = self::COLUMNS[$rule->field] ?? null;
        $column === null ? $this->own($query, $rule->field, $rule->compare, $wanted)
            : $this->column($query, $column, $rule->compare, $wanted);
    }

    private function column(Builder $query, string $column, Comparison $compare, string $wanted): void
    {
        $not = in_array($compare, [Comparison::Other, Comparison::Without], true);
        $query->whereRaw(($not ? 'not ' : '').'('.match ($compare) {
            Comparison::Filled => "{$column} <> ''",
            Comparison::Empty => "{$column} = ''",
            Comparison::Equal, Comparison::Other => "{$column} = ?",
            Comparison::Contains, Comparison::Without => "instr({$column}, ?) > 0",
            Comparison::Begins => "substr({$column}, 1, ".mb_strlen($wanted).') = ?',
            Comparison::More, Comparison::Less => '1 = 0',
        }.')', $compare->needsValue() && ! $compare->isOfNumbers() ? [$wanted] : []);
    }

    private function own(Builder $query, string $field, Comparison $compare, string $wanted): void
    {
        $values = DB::table('person_values')->whereColumn('person_values.person_id', 'people.id')->where('person_values.name', $field);
        // A key may be cut; only for long values is the whole of them looked at.
        $whole = 'case when length(value) > '.intdiv(OwnFields::LONGEST_KEY, 2).' then lower(value) else value_key end';
        match ($compare) {
            Comparison::Equal,
            Comparison::Other => $values->where('value_key', OwnFields::key($wanted))->whereRaw("{$whole} = ?", [$wanted]),
            Comparison::Contains, Comparison::Without => $values->whereRaw("instr({$whole}, ?) > 0", [$wanted]),
            Comparison::Begins => $values->whereRaw("substr({$whole}, 1, ".mb_strlen($wanted).') = ?', [$wanted]),
            Comparison::More => $values->whereRaw('number > cast(? as real)', [$wanted]),
            Comparison::Less => $values->whereRaw('number < cast(? as real)', [$wanted]),
            Comparison::Filled, Comparison::Empty => $values,
        };
        $query->addWhereExistsQuery($values->selectRaw('1'), 'and',
            in_array($compare, [Comparison::Other, Comparison::Without, Comparison::Empty], true));
    }
}
