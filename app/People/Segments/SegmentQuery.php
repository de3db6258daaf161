<?php

declare(strict_types=1);

namespace App\People\Segments;

use App\Models\Business;
use App\People\Segments\Rules\RuleSql;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\Subscription;
use Lantern\Core\Rules\Group;
use Lantern\Core\Rules\Rule;
use LogicException;

/**
 * Rules about people as conditions of a database query, so that a hundred thousand people are counted where they are.
 * It says of everybody what {@see Rule::holds()} says of one; a test holds the two together.
 */
final readonly class SegmentQuery
{
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
        if ($group->conditions === []) {
            $query->whereRaw('1 = 1');
        }
        foreach ($group->conditions as $condition) {
            $query->where(fn (Builder $q) => match (true) {
                $condition instanceof Group => $this->group($q, $condition),
                $condition instanceof Rule => self::sql($condition)->where($q, $condition, $this->business, $this->now),
                default => null,
            }, boolean: $group->all ? 'and' : 'or');
        }
    }

    /**
     * The class that says the same as a query: it has the same name.
     *
     * @return RuleSql<Rule>
     */
    public static function sql(Rule $rule): RuleSql
    {
        $class = __NAMESPACE__.'\\Rules\\'.class_basename($rule);
        $sql = class_exists($class) ? new $class : null;

        return $sql instanceof RuleSql ? $sql : throw new LogicException("There is no {$class}.");
    }

    /** How people stand to the list, in the order of {@see \App\Models\Person::subscription()}. */
    public static function subscription(Builder $query, Subscription $subscription, bool $is = true): void
    {
        $free = 'people.suppressed is null';
        $condition = match ($subscription) {
            Subscription::Complained => "people.suppressed = 'complained'",
            Subscription::Bounced => "people.suppressed is not null and people.suppressed <> 'complained'",
            Subscription::Unsubscribed => "{$free} and people.unsubscribed_at is not null",
            Subscription::Unconfirmed => "{$free} and people.unsubscribed_at is null and people.pending = 1",
            Subscription::NoMarketing => "{$free} and people.unsubscribed_at is null and people.pending = 0 and people.marketing = 0",
            Subscription::Subscribed => "{$free} and people.unsubscribed_at is null and people.pending = 0 and people.marketing = 1",
        };
        $query->whereRaw($is ? "({$condition})" : "not coalesce(({$condition}), 0)");
    }
}
