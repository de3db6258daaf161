<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Records\DeadlineOwner;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Plan\Plan;

/** Who is in a deadline, and what was sold around its end. */
final class DeadlineNumbers
{
    public const STATES = ['running', 'ending', 'over', 'bought'];

    /** @return array{running: int, ending: int, over: int, bought: int, strangers: int} people; `strangers` are browsers that run it */
    public static function of(string $deadline, CarbonImmutable $now): array
    {
        $count = fn (string $state): int => self::people($deadline, $state, $now)->count();

        return ['running' => $count('running'), 'ending' => $count('ending'), 'over' => $count('over'), 'bought' => $count('bought'),
            'strangers' => self::runs($deadline)->whereNull('person_id')->where('holder', 'like', 'v:%')->whereNull('closed_at')
                ->where('ends_at', '>', Instant::sql($now))->count()];
    }

    /** Those in a state, ending soonest or most lately first. */
    public static function people(string $deadline, string $state, CarbonImmutable $now): Builder
    {
        $query = self::runs($deadline)->join('people', 'people.id', '=', 'deadline_runs.person_id')->whereNull('people.erased_at');
        $running = fn (Builder $q): Builder => $q->whereNull('closed_at')->where('ends_at', '>', Instant::sql($now));

        return match ($state) {
            'ending' => $running($query)->where('ends_at', '<=', Instant::sql($now->addDay()))->orderBy('ends_at'),
            'over' => $query->where(fn (Builder $q) => $q->whereNotNull('closed_at')->orWhere('ends_at', '<=', Instant::sql($now)))
                ->orderByDesc('ends_at'),
            'bought' => $query->whereIn('people.id', self::boughtInTime($deadline)->select('orders.person_id'))->orderByDesc('ends_at'),
            default => $running($query)->orderBy('ends_at'),
        };
    }

    private static function runs(string $deadline): Builder
    {
        return DB::table('deadline_runs')->where('deadline_id', $deadline)->where('holder', '!=', DeadlineOwner::everyone()->key);
    }

    private static function boughtInTime(string $deadline): Builder
    {
        return self::sold()->where('order_lines.deadline_id', $deadline);
    }

    private static function sold(): Builder
    {
        return DB::table('order_lines')->join('orders', 'orders.id', '=', 'order_lines.order_id')->where('orders.owner', false)
            ->whereIn('order_lines.state', [LineState::Bought->value]);
    }

    private static function since(Builder $query, ?CarbonImmutable $since): Builder
    {
        return $since === null ? $query : $query->where('orders.placed_at', '>=', Instant::sql($since));
    }

    /**
     * The same for each deadline of a plan under which anything was sold, or after which.
     *
     * @return list<array{id: string, name: string, before: int, beforeSum: int, after: int, afterSum: int,
     *     hours: list<array{from: int, to: int|null, sales: int, sum: int}>}>
     */
    public static function ofPlan(Plan $plan, ?CarbonImmutable $since): array
    {
        $all = array_map(fn (Deadline $d): array => ['id' => $d->id, 'name' => $d->name]
            + self::sales($d->id, self::products($plan, $d), $since), $plan->deadlines);

        return array_values(array_filter($all, fn (array $d): bool => $d['before'] + $d['after'] > 0));
    }

    /** @return list<string> ids of the products that the offers it guards sell */
    public static function products(Plan $plan, Deadline $deadline): array
    {
        return array_values(array_filter(array_map(fn (string $o): string => $plan->offer($o)->product ?? '', $deadline->offers)));
    }

    /**
     * Sales before the end of a deadline, by the hours that were left, and after it: of the same products, by those for whom it
     * was over.
     *
     * @param  list<string>  $products  that the offers it guards sell
     * @param  CarbonImmutable|null  $since  only what was ordered from then on
     * @return array{before: int, beforeSum: int, after: int, afterSum: int,
     *     hours: list<array{from: int, to: int|null, sales: int, sum: int}>}
     */
    public static function sales(string $deadline, array $products, ?CarbonImmutable $since = null): array
    {
        $bounds = [1, 3, 6, 12, 24, 48, 72, null];
        $hours = [];
        $from = 0;
        foreach ($bounds as $to) {
            $sold = self::since(self::boughtInTime($deadline), $since)->where('deadline_left', '>=', $from === 0 ? -100_000 : $from * 3600)
                ->when($to !== null, fn (Builder $q) => $q->where('deadline_left', '<', $to * 3600))
                ->selectRaw('count(*) as n, coalesce(sum(order_lines.total), 0) as sum')->first();
            $hours[] = ['from' => $from, 'to' => $to, 'sales' => (int) ($sold->n ?? 0), 'sum' => (int) ($sold->sum ?? 0)];
            $from = $to ?? 0;
        }
        $after = self::since(self::sold(), $since)->whereIn('order_lines.product_id', $products)->whereNull('order_lines.deadline_id')
            ->join('deadline_runs', fn (JoinClause $join) => $join->where('deadline_runs.deadline_id', $deadline)
                ->where(fn (JoinClause $one) => $one->whereColumn('deadline_runs.person_id', 'orders.person_id')
                    ->orWhere('deadline_runs.holder', DeadlineOwner::everyone()->key)))
            ->whereColumn('orders.placed_at', '>=', 'deadline_runs.ends_at')
            ->selectRaw('count(*) as n, coalesce(sum(order_lines.total), 0) as sum')->first();

        return ['before' => array_sum(array_column($hours, 'sales')), 'beforeSum' => array_sum(array_column($hours, 'sum')),
            'after' => (int) ($after->n ?? 0), 'afterSum' => (int) ($after->sum ?? 0), 'hours' => $hours];
    }
}
