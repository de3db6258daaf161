<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Payment;
use App\Orders\OrderLog;
use App\Orders\Receipts;
use App\Orders\Reconciling;
use App\Orders\Refunding;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Payments\Practice\PracticeCalls;
use Closure;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\Events\TransactionBeginning;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Support\Invalid;
use RuntimeException;
use Symfony\Component\Process\Process;
use Throwable;

/**
 * Processes on real database files, killed without warning: between any two statements of what they do, and at random
 * moments. Afterwards the ledger of the provider and the orders say the same, to the last unit, and everything that follows
 * from a purchase has followed once.
 */
final class KilledBuyersTest extends SalesTestCase
{
    private string $folder = '';

    private int $children = 0;

    public function refreshDatabase(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-buyers-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        touch("{$this->folder}/db.sqlite");
        touch("{$this->folder}/practice.sqlite");
        config(['database.connections.sqlite.database' => "{$this->folder}/db.sqlite",
            'database.connections.practice.database' => "{$this->folder}/practice.sqlite",
            'lantern.checkout.per_address' => 10_000, 'lantern.practice.later_seconds' => 0]);
        DB::purge('sqlite');
        DB::purge('practice');
        Artisan::call('migrate', ['--force' => true]);
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->changeOffer('Regular price', ['price' => ['kind' => 'payments', 'amount' => 6_400, 'currency' => 'EUR', 'payments' => 3]]);
        $this->publish();
    }

    protected function tearDown(): void
    {
        DB::purge('sqlite');
        DB::purge('practice');
        parent::tearDown();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    /**
     * Does something in a process of its own, which is killed in any case.
     *
     * @param  int|null  $at  after so many statements; null when it is done
     * @return int of the process
     */
    private function child(Closure $does, ?int $at = null): int
    {
        DB::disconnect('sqlite');
        DB::disconnect('practice');
        $this->children++;
        $pid = pcntl_fork();
        if ($pid !== 0) {
            return $pid;
        }
        try {
            $left = $at;
            $step = function () use (&$left): void {
                if ($left !== null && --$left < 1) {
                    posix_kill((int) getmypid(), SIGKILL);
                }
            };
            Event::listen([QueryExecuted::class, TransactionBeginning::class, TransactionCommitted::class], $step);
            $does();
            touch("{$this->folder}/done-{$this->children}");
        } catch (Throwable $e) {
            file_put_contents("{$this->folder}/errors", "{$e->getMessage()}\n{$e->getFile()}:{$e->getLine()}\n", FILE_APPEND);
        } finally {
            posix_kill((int) getmypid(), SIGKILL);
        }

        return 0;
    }

    /**
     * Does something again and again, killed after one statement, after two, and so on until it comes to its end.
     * With a stride, so many statements later than the last time, and beginning anywhere within it.
     *
     * @param  Closure(int): Closure  $prepare  with the number of the try; what is then done and killed
     * @param  (Closure(int): void)|null  $after  each second time: whoever was cut off tries again
     */
    private function killedEverywhere(Closure $prepare, ?Closure $after = null, int $stride = 1): int
    {
        for ($try = 1, $at = random_int(1, $stride); $at < 600; $try++, $at += $stride) {
            pcntl_waitpid($this->child($prepare($at), $at), $status);
            if (file_exists("{$this->folder}/done-{$this->children}")) {
                return $try;
            }
            if ($after !== null && $try % 2 === 0) {
                $after($at);
            }
        }
        self::fail('It never came to its end.');
    }

    /** @param  array<string, mixed>  $typed */
    private function send(string $url, array $typed): void
    {
        $response = $this->post($url, $typed);
        if ($response->getStatusCode() >= 500) {
            throw new RuntimeException("{$response->getStatusCode()} of {$url}: ".mb_substr((string) $response->getContent(), 0, 400));
        }
    }

    /**
     * A checkout filled in by somebody who was not there before.
     *
     * @return array<string, mixed>
     */
    private function filledIn(string $who, Behaviour $card = Behaviour::Approves): array
    {
        return $this->asStranger()->checkout(['email' => "{$who}@pupils.example", 'method' => self::card($card),
            'bump' => [$this->offerId('The recordings')]]);
    }

    /** @return array<string, mixed> */
    private function yesOf(Order $order): array
    {
        preg_match('/name="extra" value="yes"><input type="hidden" name="token" value="([^"]+)"/',
            (string) $this->asBuyer($order)->get($this->url(PageRole::Upsell))->getContent(), $m);

        return ['extra' => 'yes', 'token' => html_entity_decode($m[1] ?? '')];
    }

    private function refund(Order $order, string $act): void
    {
        try {
            app(Refunding::class)->refund($order, str_pad($act, 32, 'x'), [2], null, true, '');
        } catch (Invalid $e) {
            // Somebody else had it already.
            self::assertSame('There is nothing left of it to refund.', $e->getMessage());
        }
    }

    /** All that is left is found out: by asking alone, or by the provider's calls as well. */
    private function finish(bool $withCalls = false): void
    {
        config(['lantern.checkout.give_up_minutes' => 0]);
        $this->travel(1)->seconds();
        do {
            $taken = $withCalls ? app(PracticeCalls::class)->sendDue() : 0;
            app(Reconciling::class)->run(0);
        } while ($taken > 0);
        DB::table('orders')->whereNotNull('receipt_due_at')->update(['receipt_due_at' => now()->subMinute()->format('Y-m-d H:i:s.v')]);
        app(Receipts::class)->issueDue();
        app(Receipts::class)->issueDue();
        self::assertSame('', (string) @file_get_contents("{$this->folder}/errors"));
        self::assertSame(0, Payment::query()->whereIn('state', ['asked', 'bank'])->count(), 'nothing is left open');
    }

    /** What two ledgers that know nothing of each other say of the same things. */
    private function assertEqualToTheLedger(): void
    {
        $charges = DB::connection('practice')->table('charges')->get()->keyBy('key');
        $paid = 0;
        foreach (Payment::query()->get() as $payment) {
            $charge = $charges->pull($payment->key);
            self::assertSame(($charge->state ?? '') === 'paid', $payment->state->value === 'paid', "payment {$payment->key}");
            if ($payment->state->value === 'paid') {
                self::assertSame([(int) $charge->amount, $charge->currency], [$payment->amount, $payment->currency]);
                $paid += $payment->amount;
            }
        }
        self::assertCount(0, $charges, 'nothing was charged that we do not know of');
        $orders = Order::query()->get();
        self::assertSame([$paid, self::ledger()], [$orders->sum('paid'), $orders->sum('paid') - $orders->sum('refunded')]);
        self::assertSame(DB::connection('practice')->table('charge_refunds')->orderBy('key')->pluck('amount', 'key')->all(),
            DB::table('refunds')->where('state', 'done')->orderBy('key')->pluck('amount', 'key')->all());
        foreach ($orders as $order) {
            $sums = OrderLog::sums($order);
            self::assertSame([$order->state, $order->paid, $order->refunded, 0],
                [$sums->state, $sums->paid, $sums->refunded, $sums->refunding]);
        }
    }

    private function assertEverythingFollowedOnce(): void
    {
        $bought = Order::query()->whereNotNull('bought_at')->get();
        $lines = OrderLine::query()->whereNotIn('state', ['held', 'failed'])->get();
        self::assertSame($bought->count(), $bought->pluck('person_id')->unique()->count(), 'one order for each buyer');
        $numbers = fn (string $table): array => DB::table($table)->whereNotNull('number')->orderBy('number')->pluck('number')->all();
        self::assertSame(range(1, $bought->count()), $numbers('orders'), 'without gaps');
        self::assertSame(range(1, DB::table('receipts')->count()), $numbers('receipts'), 'without gaps');
        self::assertSame(0, $lines->whereNull('receipt_id')->count(), 'each line stands on a receipt');
        self::assertSame($lines->count(), DB::table('accesses')->count(), 'each product is delivered once');
        $refunded = array_merge(...array_map(fn (string $l): array => array_keys(OrderLog::lines($l)),
            DB::table('refunds')->where('state', 'done')->pluck('lines')->all()));
        self::assertSame(count($refunded), DB::table('accesses')->where('state', 'ended')->count(), 'and taken once');
        $offers = DB::table('events')->where('type', 'bought')->pluck('data')
            ->sum(fn (string $data): int => count((array) (json_decode($data, true)['offers'] ?? [])));
        self::assertSame($lines->count(), $offers, 'each is told once');
        self::assertSame(DB::table('receipts')->count(), DB::table('messages')->where('kind', 'receipt')->count());
        self::assertSame(DB::table('events')->where('type', 'bought')->count(),
            DB::table('messages')->where('unique_key', 'like', 'sale-notice:sale%')->count());
    }

    public function test_killed_between_any_two_statements(): void
    {
        $checkout = $this->url(PageRole::Checkout);
        $this->send($checkout, $this->filledIn('buyer'));
        self::assertSame(2, DB::selectOne('PRAGMA synchronous')->synchronous, 'what is asked for is on the disk before it is asked');
        $forms = [];
        $steps = ['buying' => $this->killedEverywhere(function (int $at) use (&$forms, $checkout): Closure {
            $forms[$at] = $this->filledIn("buyer{$at}");

            return fn () => $this->send($checkout, $forms[$at]);
        }, function (int $at) use (&$forms, $checkout): void {
            $this->send($checkout, $forms[$at]);
        }, 3)];
        $this->finish();
        $orders = Order::query()->whereNotNull('bought_at')->get()->all();
        self::assertGreaterThan($steps['buying'] / 2 - 1, count($orders));
        $order = fn (int $at): Order => $orders[$at % count($orders)];
        $steps['yes'] = $this->killedEverywhere(function (int $at) use ($order): Closure {
            $typed = $this->yesOf($order($at));

            return fn () => $this->asBuyer($order($at))->send($this->url(PageRole::Upsell), $typed);
        }, stride: 4);
        $steps['refund'] = $this->killedEverywhere(fn (int $at): Closure => fn () => $this->refund($order($at), "act{$at}"),
            fn (int $at) => $this->refund($order($at), "act{$at}"), 2);
        $steps['plans'] = $this->killedEverywhere(function (int $at) use ($order): Closure {
            Payment::query()->where('order_id', $order($at)->id)->where('state', 'due')->orderBy('number')->limit(1)
                ->update(['due_at' => now()->subHour()]);

            return fn () => app(Reconciling::class)->run(0);
        }, stride: 8);
        $this->finish();

        $this->assertEqualToTheLedger();
        $this->assertEverythingFollowedOnce();
        self::assertGreaterThan(150, array_sum($steps), 'times it was killed');
    }

    public function test_killed_at_random_moments_with_every_card_and_in_several_windows(): void
    {
        $cards = [Behaviour::Approves, Behaviour::LosesAnswer, Behaviour::AsksBank, Behaviour::TellsLater, Behaviour::NoisyCalls,
            Behaviour::Declines, Behaviour::RefusesLater, Behaviour::Approves];
        $checkout = $this->url(PageRole::Checkout);
        // How long one takes that nobody disturbs, on this machine as busy as it is.
        $typed = $this->filledIn('first');
        $start = hrtime(true);
        pcntl_waitpid($this->child(fn () => $this->send($checkout, $typed)), $status);
        $within = intdiv(hrtime(true) - $start, 1_000);
        for ($round = 0; $round < 36; $round++) {
            $typed = $this->filledIn("buyer{$round}", $cards[$round % count($cards)]);
            $other = ['token' => $this->filledIn("buyer{$round}")['token']] + $typed;
            $order = Order::query()->whereNotNull('bought_at')->inRandomOrder()->first();
            $yes = $order === null ? null : $this->yesOf($order);
            $this->killedTogether([
                fn () => $this->asStranger()->send($checkout, $typed),
                $round % 2 === 0 ? fn () => $this->asStranger()->send($checkout, $typed)
                    : fn () => $this->asStranger()->send($checkout, $other),
                $order !== null && $round % 3 === 0 ? fn () => $this->asBuyer($order)->send($this->url(PageRole::Upsell), $yes)
                    : fn () => app(Reconciling::class)->run(0),
            ], $within);
            foreach (DB::connection('practice')->table('charges')->where('state', 'bank')->pluck('key') as $key) {
                app(PracticeBank::class)->decideAtBank((string) $key, random_int(0, 1) === 1);
            }
        }
        $this->finish(withCalls: true);

        $this->assertEqualToTheLedger();
        $this->assertEverythingFollowedOnce();
        self::assertGreaterThan(1, Order::query()->whereNotNull('bought_at')->count(), 'some got through, beside the first');
    }

    /**
     * @param  list<Closure>  $all  done side by side, and killed one after the other
     * @param  int  $within  microseconds from one to the next
     */
    private function killedTogether(array $all, int $within): void
    {
        $pids = array_map(fn (Closure $does): int => $this->child($does), $all);
        shuffle($pids);
        foreach ($pids as $pid) {
            usleep(random_int(0, $within));
            posix_kill($pid, SIGKILL);
        }
        foreach ($pids as $pid) {
            pcntl_waitpid($pid, $status);
        }
    }

    public function test_fifty_at_once_want_the_last_ten_places(): void
    {
        $this->changeOffer('Regular price', ['places' => 10]);
        $this->publish();
        $forms = array_map(fn (int $i): array => $this->filledIn("buyer{$i}"), range(1, 50));
        $pids = array_map(fn (array $typed): int => $this->child(function () use ($typed): void {
            while (! file_exists("{$this->folder}/go")) {
                usleep(500);
            }
            $this->send($this->url(PageRole::Checkout), $typed);
        }), $forms);
        touch("{$this->folder}/go");
        foreach ($pids as $pid) {
            pcntl_waitpid($pid, $status);
        }
        self::assertCount(50, glob("{$this->folder}/done-*") ?: [], 'each of them got an answer');
        self::assertSame([10, 10], [Order::query()->count(), DB::connection('practice')->table('charges')->count()]);
        $this->finish();

        $this->assertEqualToTheLedger();
        $this->assertEverythingFollowedOnce();
        $this->get($this->url(PageRole::Checkout))->assertSee('All places are taken');
    }
}
