<?php

declare(strict_types=1);

namespace App\People\Segments;

use App\Journey\PersonLookup;
use App\Models\Business;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Did;
use Lantern\Core\Rules\Group;
use Lantern\Core\Rules\Rule;
use Lantern\Core\Rules\Standing;

/**
 * Rules about people as conditions of a database query, so that a hundred thousand people are counted where they are.
 * It says of everybody what {@see Rule::holds()} says of one; a test holds the two together.
 */
final readonly class SegmentQuery
{
    /** Fields that stand on the person itself, with the column in which they are compared. */
    private const COLUMNS = ['first_name' => 'people.first_key', 'last_name' => 'people.last_key', 'phone' => 'people.phone'];

    public function __construct(private Business $business, private DateTimeImmutable $now)
    {
    }

    /** Everybody of the business for whom the rules hold. Whoever was erased is nobody. */
    public function people(Group $rules): Builder
    {
        $query = DB::table('people')->where('people.business_id', $this->business->id)->whereNull('people.erased_at');
        if (! $rules->isEverybody()) {
            $query->where(fn (Builder $q) => $this->group($q, $rules));
        }

        return $query;
    }

    public function count(Group $rules): int
    {
        return $this->people($rules)->count();
    }

    private function group(Builder $query, Group $group): void
    {
        if ($group->of === []) {
            $query->whereRaw('1 = 1');
        }
        foreach ($group->of as $condition) {
            $query->where(fn (Builder $q) => $condition instanceof Group ? $this->group($q, $condition) : ($condition instanceof Rule ? $this->rule($q, $condition) : null),
                boolean: $group->all ? 'and' : 'or');
        }
    }

    private function rule(Builder $query, Rule $rule): void
    {
        match ($rule->what) {
            'field' => $this->field($query, $rule),
            // Looked up once: then each person is one step in the primary key.
            'tag' => $this->exists($query, $rule->is === 'has', DB::table('person_tag')->whereColumn('person_tag.person_id', 'people.id')
                ->where('person_tag.tag_id', (int) DB::table('tags')->where('business_id', $this->business->id)->where('name_key', mb_strtolower($rule->value))->value('id'))),
            'did' => $this->exists($query, $rule->is === 'has', $this->deeds($rule)),
            'date' => $this->date($query, $rule),
            default => self::standing($query, Standing::from($rule->value), $rule->is === 'equal'),
        };
    }

    private function exists(Builder $query, bool $yes, Builder $of): void
    {
        $query->addWhereExistsQuery($of->selectRaw('1'), 'and', ! $yes);
    }

    private function field(Builder $query, Rule $rule): void
    {
        $wanted = mb_strtolower($rule->value);
        if ($rule->of === 'email' || $rule->of === 'timezone' || isset(self::COLUMNS[$rule->of])) {
            $column = self::COLUMNS[$rule->of] ?? ($rule->of === 'email' ? 'lower(people.email)' : "lower(coalesce(people.timezone, ''))");
            $not = in_array($rule->is, ['other', 'without'], true);
            $query->whereRaw(($not ? 'not ' : '').'('.match ($rule->is) {
                'filled' => "{$column} <> ''",
                'empty' => "{$column} = ''",
                'equal', 'other' => "{$column} = ?",
                'contains', 'without' => "instr({$column}, ?) > 0",
                'begins' => "substr({$column}, 1, ".mb_strlen($wanted).') = ?',
                // Names and addresses are no numbers; a phone number is one only by chance.
                default => "{$column} <> '' and {$column} not glob '*[^0-9.]*' and cast({$column} as real) ".($rule->is === 'more' ? '>' : '<').' cast(? as real)',
            }.')', in_array($rule->is, ['filled', 'empty'], true) ? [] : [$wanted]);

            return;
        }
        $of = DB::table('person_values')->whereColumn('person_values.person_id', 'people.id')->where('person_values.name', $rule->of);
        match ($rule->is) {
            'equal', 'other' => $of->where('value_key', $wanted),
            'contains', 'without' => $of->whereRaw('instr(value_key, ?) > 0', [$wanted]),
            'begins' => $of->whereRaw('substr(value_key, 1, '.mb_strlen($wanted).') = ?', [$wanted]),
            'more' => $of->where('number', '>', (float) $wanted),
            'less' => $of->where('number', '<', (float) $wanted),
            default => null,
        };
        $this->exists($query, ! in_array($rule->is, ['other', 'without', 'empty'], true), $of);
    }

    private function deeds(Rule $rule): Builder
    {
        $did = $rule->did ?? Did::Viewed;
        $since = $rule->within === 0 ? null : $rule->since($this->now);
        if ($did->isOfMail()) {
            $at = match ($did) {
                Did::Opened => 'opened_at',
                Did::Clicked => 'clicked_at',
                default => 'sent_at',
            };

            return DB::table('messages')->whereColumn('messages.person_id', 'people.id')->whereNotNull("messages.{$at}")->whereNotNull('messages.sent_at')
                ->when($rule->of !== '', fn (Builder $q) => $q->where(fn (Builder $q) => $q->where('messages.email_id', $rule->of)->orWhere('messages.broadcast_id', $rule->of)))
                ->when($since !== null, fn (Builder $q) => $q->where("messages.{$at}", '>=', Instant::sql($since ?? $this->now)));
        }

        return DB::table('events')->whereColumn('events.person_id', 'people.id')->where('events.type', (string) array_search($did, PersonLookup::EVENTS, true))
            ->when($rule->of !== '', fn (Builder $q) => $q->where(fn (Builder $q) => $q->where('events.page_id', $rule->of)->orWhere('events.funnel_id', $rule->of)))
            ->when($since !== null, fn (Builder $q) => $q->where('events.at', '>=', Instant::sql($since ?? $this->now)));
    }

    private function date(Builder $query, Rule $rule): void
    {
        if ($rule->of !== 'joined' && $rule->of !== 'active') {
            $this->ownDate($query, $rule);

            return;
        }
        $column = $rule->of === 'joined' ? 'people.joined_at' : 'people.active_at';
        [$operator, $bound] = $this->bound($rule);
        $query->whereNotNull($column)->where($column, $operator, Instant::sql($bound));
    }

    /** An own field holds a day; compared are the days on which the moments asked for fall, in the owner's zone. */
    private function ownDate(Builder $query, Rule $rule): void
    {
        [$operator, $bound] = $this->bound($rule);
        $local = $bound->setTimezone($this->business->zone());
        $day = $local->format('Y-m-d');
        // A day begins at midnight: on the day of a bound after midnight it has begun before that bound.
        $next = $local->format('His.u') === '000000.000000' ? $day : $local->modify('+1 day')->format('Y-m-d');
        $this->exists($query, true, DB::table('person_values')->whereColumn('person_values.person_id', 'people.id')->where('person_values.name', $rule->of)
            ->whereRaw("value glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]'")->where('value', $operator, $operator === '>=' ? $next : ($next === $day ? $day : $next)));
    }

    /** @return array{string, DateTimeImmutable} `<` or `>=`, and the moment */
    private function bound(Rule $rule): array
    {
        return match ($rule->is) {
            'before' => ['<', $rule->dayBegins($this->business->zone())],
            'after' => ['>=', $rule->dayEnds($this->business->zone())],
            'within' => ['>=', $rule->since($this->now)],
            default => ['<', $rule->since($this->now)],
        };
    }

    /** How people stand to the list, in the order of {@see \App\Models\Person::standing()}. */
    public static function standing(Builder $query, Standing $standing, bool $is = true): void
    {
        $free = 'people.suppressed is null';
        $condition = match ($standing) {
            Standing::Complained => "people.suppressed = 'complained'",
            Standing::Bounced => "people.suppressed is not null and people.suppressed <> 'complained'",
            Standing::Unsubscribed => "{$free} and people.unsubscribed_at is not null",
            Standing::Unconfirmed => "{$free} and people.unsubscribed_at is null and people.pending = 1",
            Standing::NoMarketing => "{$free} and people.unsubscribed_at is null and people.pending = 0 and people.marketing = 0",
            Standing::Subscribed => "{$free} and people.unsubscribed_at is null and people.pending = 0 and people.marketing = 1",
        };
        $query->whereRaw($is ? "({$condition})" : "not coalesce(({$condition}), 0)");
    }
}
