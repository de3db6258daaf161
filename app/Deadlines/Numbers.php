<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Deadlines\Running\Holder;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Orders\LineState;

/** Who is in a deadline, and what was sold around its end. */
final class Numbers
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
        return DB::table('deadline_runs')->where('deadline_id', $deadline)->where('holder', '!=', Holder::everyone()->key);
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

    /**
     * Sales before the end of a deadline, by the hours that were left, and after it: of the same products, by those for whom it
     * was over.
     *
     * @param  list<string>  $products  that the offers it guards sell
     * @return array{before: int, beforeSum: int, after: int, afterSum: int,
     *     hours: list<array{from: int, to: int|null, sales: int, sum: int}>}
     */
    public static function sales(string $deadline, array $products): array
    {
        $bounds = [1, 3, 6, 12, 24, 48, 72, null];
        $hours = [];
        $from = 0;
        foreach ($bounds as $to) {
            $sold = self::boughtInTime($deadline)->where('deadline_left', '>=', $from === 0 ? -100_000 : $from * 3600)
                ->when($to !== null, fn (Builder $q) => $q->where('deadline_left', '<', $to * 3600))
                ->selectRaw('count(*) as n, coalesce(sum(order_lines.total), 0) as sum')->first();
            $hours[] = ['from' => $from, 'to' => $to, 'sales' => (int) ($sold->n ?? 0), 'sum' => (int) ($sold->sum ?? 0)];
            $from = $to ?? 0;
        }
        $after = self::sold()->whereIn('order_lines.product_id', $products)->whereNull('order_lines.deadline_id')
            ->join('deadline_runs', 'deadline_runs.person_id', '=', 'orders.person_id')->where('deadline_runs.deadline_id', $deadline)
            ->whereColumn('orders.placed_at', '>=', 'deadline_runs.ends_at')
            ->selectRaw('count(*) as n, coalesce(sum(order_lines.total), 0) as sum')->first();

        return ['before' => array_sum(array_column($hours, 'sales')), 'beforeSum' => array_sum(array_column($hours, 'sum')),
            'after' => (int) ($after->n ?? 0), 'afterSum' => (int) ($after->sum ?? 0), 'hours' => $hours];
    }
}
