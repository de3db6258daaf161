<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Business;
use App\Support\DoneAtTheEnd;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Tally;
use stdClass;

/**
 * The counts by funnel, page, day (in the owner's zone), slice and measure, kept in step with the events and with the money of orders,
 * and made anew from them at any time: see {@see EventTallies} and {@see MoneyTallies} for what counts, and {@see Tally} for how it
 * adds up over days.
 */
final class Counts
{
    use DoneAtTheEnd;

    public function __construct(private readonly CountMonths $months)
    {
    }

    /** What one statement may hold, well below what databases allow. */
    private const ROWS = 60;

    /** How many rows wait in memory while all is counted anew. */
    private const AT_ONCE = 300_000;

    private const KEY = ['funnel_id', 'slice', 'day', 'page_id', 'measure', 'before', 'currency'];

    /**
     * Counts one event.
     *
     * @param  array<string, mixed>  $event  as a row of the events, with its id
     */
    public function add(Business $business, array $event): void
    {
        if (! self::$later) {
            self::keep((string) ($event['funnel_id'] ?? ''), EventTallies::of((object) $event, $business->zone(), new EarlierStored));
        }
    }

    /** Counts an order that was bought just now. */
    public static function addOrder(string $order, DateTimeZone $zone): void
    {
        $row = self::$later ? null : MoneyTallies::orders()->where('id', $order)->first();
        if ($row !== null) {
            self::keep((string) $row->funnel_id, MoneyTallies::ofOrder($row, $zone));
        }
    }

    /** Counts money that came in or went back: the last such fact of an order. */
    public static function addMoney(string $order, DateTimeZone $zone): void
    {
        $fact = self::$later ? null : MoneyTallies::facts()->where('f.order_id', $order)->orderByDesc('f.id')->first();
        if ($fact !== null) {
            self::keep((string) $fact->funnel_id, MoneyTallies::of($fact, $zone));
        }
    }

    /**
     * Two people turn out to be one: of their sign-ups to a funnel the first counts, and the other does not any more. To be called
     * before the events of both are one person's.
     */
    public function mergePeople(Business $business, string $one, string $other): void
    {
        $ofOther = EventTallies::firstJoins($other);
        foreach (EventTallies::firstJoins($one) as $funnel => $event) {
            $twin = $ofOther->get($funnel);
            if ($twin !== null) {
                self::keep((string) $funnel, array_map(fn (Tally $t): Tally => $t->taken(),
                    EventTallies::ofSignup($twin->id > $event->id ? $twin : $event, $business->zone(), new EarlierStored)));
            }
        }
    }

    public function rebuildAll(): void
    {
        Business::query()->get()->each($this->rebuild(...));
    }

    /** Makes the counts of a business anew from what happened. */
    public function rebuild(Business $business): void
    {
        DB::transaction(function () use ($business): void {
            foreach (['counts', 'month_counts', 'counted_months'] as $table) {
                DB::table($table)->whereIn('funnel_id', DB::table('funnels')->where('business_id', $business->id)->select('id'))->delete();
            }
            $zone = $business->zone();
            $earlier = new EarlierInMemory($business->id);
            $waiting = [];
            // Whatever decides whether an event counts was done by the same browser, or is looked up beforehand.
            foreach ($this->browserByBrowser($business) as $event) {
                self::collect($waiting, (string) ($event->funnel_id ?? ''), EventTallies::of($event, $zone, $earlier));
                $earlier->remember($event);
                $waiting = count($waiting) > self::AT_ONCE ? self::write($waiting) : $waiting;
            }
            foreach (MoneyTallies::orders()->where('business_id', $business->id)->lazyById(2000) as $order) {
                self::collect($waiting, (string) $order->funnel_id, MoneyTallies::ofOrder($order, $zone));
            }
            foreach (MoneyTallies::facts()->where('f.business_id', $business->id)->lazyById(2000, 'f.id', 'id') as $fact) {
                self::collect($waiting, (string) $fact->funnel_id, MoneyTallies::of($fact, $zone));
            }
            self::write($waiting);
            $this->months->work(CarbonImmutable::now());
        });
    }

    /**
     * Do the counts say what the facts say? Nothing is mended by it: where they differ something is wrong that an owner should know.
     *
     * @return int how many rows differ
     */
    public function differences(Business $business): int
    {
        $mine = fn (string $table, array $key): Builder => DB::table($table)->whereIn('funnel_id',
            DB::table('funnels')->where('business_id', $business->id)->select('id'))->select([...$key, 'how_many', 'how_much']);
        DB::beginTransaction();
        try {
            // What is added up of months that have changed since is read by nobody.
            DB::statement('create temporary table month_counts_as_kept as select month_counts.* from month_counts natural join '
                .'(select funnel_id, month from counted_months where built = 1)');
            DB::statement('create temporary table built_months as select funnel_id, month from counted_months where built = 1');
            DB::statement('create temporary table counts_as_kept as select * from counts');
            $this->rebuild($business);
            DB::statement('delete from month_counts where (funnel_id, month) not in (select funnel_id, month from built_months)');
            $missing = fn (string $from, string $in, array $key): int => (int) DB::query()->fromSub($mine($from, $key), 'f')
                ->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from($in, 'k')->whereRaw(implode(' and ',
                    array_map(fn (string $c): string => "k.{$c} = f.{$c}", [...$key, 'how_many', 'how_much']))))->count();
            $both = fn (string $table, array $key): int => $missing($table, "{$table}_as_kept", $key)
                + $missing("{$table}_as_kept", $table, $key);

            return $both('counts', self::KEY) + $both('month_counts', CountMonths::KEY);
        } finally {
            DB::rollBack();
        }
    }

    /** @return iterable<stdClass> all events, those of a browser together, in the order in which they were written */
    private function browserByBrowser(Business $business): iterable
    {
        yield from DB::table('events')->where('business_id', $business->id)->whereNotNull('visitor')->orderBy('visitor')->orderBy('id')
            ->cursor();
        yield from DB::table('events')->where('business_id', $business->id)->whereNull('visitor')->lazyById(2000);
    }

    /** @param  list<Tally>  $tallies */
    private static function keep(string $funnel, array $tallies): void
    {
        if ($tallies === []) {
            return;
        }
        $rows = [];
        self::collect($rows, $funnel, $tallies);
        self::write($rows);
    }

    /**
     * @param  array<string, array{int, int}>  $sums  they are added to it: how many and how much, by the values of the key in one string
     * @param  list<Tally>  $tallies
     */
    private static function collect(array &$sums, string $funnel, array $tallies): void
    {
        foreach ($tallies as $t) {
            $key = "{$funnel}\n{$t->slice}\n{$t->day}\n{$t->page}\n{$t->measure->value}\n{$t->before}\n{$t->currency}";
            $sum = $sums[$key] ?? [0, 0];
            $sums[$key] = [$sum[0] + $t->count, $sum[1] + $t->amount];
        }
    }

    /**
     * @param  array<string, array{int, int}>  $sums
     * @return array{} nothing is left to write
     */
    private static function write(array $sums): array
    {
        $months = [];
        foreach (array_keys($sums) as $key) {
            [$funnel, , $day] = explode("\n", (string) $key, 4);
            $months["{$funnel} ".substr($day, 0, 7)] ??= [$funnel, substr($day, 0, 7)];
        }
        CountMonths::touch($months);
        // In the order of the key, so that what stands together is written together.
        ksort($sums);
        $rows = [];
        foreach ($sums as $key => [$many, $much]) {
            $rows[] = array_combine(self::KEY, explode("\n", $key)) + ['how_many' => $many, 'how_much' => $much];
            if (count($rows) === self::ROWS) {
                self::upsert($rows);
                $rows = [];
            }
        }
        if ($rows !== []) {
            self::upsert($rows);
        }
        // What was taken away to nothing is not there, as if it had never been counted.
        foreach ($sums as $key => [$many, $much]) {
            if ($many <= 0 && $much <= 0) {
                DB::table('counts')->where(array_combine(self::KEY, explode("\n", $key)))->where('how_many', 0)->where('how_much', 0)
                    ->delete();
            }
        }

        return [];
    }

    /** @param  list<array<string, int|string>>  $rows */
    private static function upsert(array $rows): void
    {
        DB::table('counts')->upsert($rows, self::KEY, ['how_many' => DB::raw('counts.how_many + excluded.how_many'),
            'how_much' => DB::raw('counts.how_much + excluded.how_much')]);
    }
}
