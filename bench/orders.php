<?php

declare(strict_types=1);

use App\Models\Order;
use App\Models\Version;
use App\Orders\Attempt;
use App\Orders\OrderSearch;
use App\Orders\Payments;
use App\Orders\PlaceOrder;
use App\Orders\Reconciling;
use App\Orders\SalesNumbers;
use App\Payments\PaymentProvider;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Publishing\Publishing;
use App\Support\Ids;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Results\Period;

/*
 * Selling: the checkout page, orders one after the other, and what an owner looks at when there are very many.
 *
 *   php bench/orders.php [ORDERS]
 *
 * Everything is a ratio to something plain that is done in the same run.
 */

require __DIR__.'/Scratch.php';

$many = (int) ($argv[1] ?? 100_000);
$scratch = new Scratch;
$owner = $scratch->owner();
$funnels = $scratch->starters($owner);
foreach (['sell', 'give-away'] as $which) {
    app(Publishing::class)->publish($funnels[$which], null);
}
$funnel = $funnels['sell']->refresh()->load('business');
$version = Version::query()->findOrFail($funnel->live_version_id);
$plan = $version->plan();
$page = $plan->pageOf(PageRole::Checkout) ?? throw new LogicException('It has a checkout.');
$offer = $plan->offerOn($page) ?? throw new LogicException('It sells something.');
$seconds = function (callable $does): float {
    $start = hrtime(true);
    $does();

    return (hrtime(true) - $start) / 1e9;
};
$say = fn (string $what, float $took, float $plain, string $more = '') => fprintf(STDOUT, "%-66s %8.2f times%s\n", $what, $took / $plain,
    $more);

// The page: each once to warm up, then by turns, so that both have the same machine.
$times = ['checkout' => [], 'opt-in' => []];
$addresses = ['checkout' => "{$scratch->site}/{$funnel->address}/{$page->address}",
    'opt-in' => "{$scratch->site}/{$funnels['give-away']->refresh()->address}"];
for ($i = 0; $i < 60; $i++) {
    foreach ($addresses as $name => $address) {
        $times[$name][] = $seconds(fn () => strlen((string) file_get_contents($address)) > 5_000 ?: throw new LogicException($address));
    }
}
$middle = function (array $all): float {
    sort($all);

    return $all[intdiv(count($all), 2)];
};
$say('a checkout page, to an opt-in page', $middle($times['checkout']), $middle($times['opt-in']));

// Orders in this process, without HTTP, against as many bare rows, each in a transaction of its own as an order is.
$count = 400;
$bank = app(PracticeBank::class);
$quote = Quote::of([Wanted::of(LineKind::Main, $offer, $plan->product($offer->product))], TaxRate::of(1900));
$attempt = fn (int $i): Attempt => new Attempt($funnel, $version, $page, $quote, EmailAddress::of("buyer{$i}@pupils.example"), "Buyer {$i}",
    Str::lower(Str::random(32)), CarbonImmutable::now(), $bank->keepCard(Behaviour::Approves), null, '', null, md5("v{$i}"));
$place = app(PlaceOrder::class);
$payments = app(Payments::class);
$buy = function (int $i, bool $ask) use ($place, $payments, $attempt): void {
    $order = $place->place($attempt($i));
    if ($ask) {
        $payments->ask($order->payments->last()->setRelation('order', $order->load(['funnel.business', 'lines'])));
    }
};
DB::statement('create table bare (id integer primary key, key text unique, at text, amount integer)');
DB::statement('PRAGMA synchronous = FULL');
$bare = fn (int $n): float => $seconds(function () use ($n): void {
    for ($i = 0; $i < $n; $i++) {
        DB::transaction(fn () => DB::table('bare')->insert(['key' => Str::random(32), 'at' => '2026-01-01 00:00:00', 'amount' => $i]));
    }
});
$buy(0, true);
$bare(50);
$plain = $bare($count);
$took = $seconds(function () use ($buy, $count): void {
    for ($i = 1; $i <= $count; $i++) {
        $buy($i, true);
    }
});
$say('an order, placed, paid and delivered, to a bare insert', $took, $plain, sprintf(' (%.0f a second)', $count / $took));
$sold = Order::query()->whereNotNull('bought_at')->count();
$sold === $count + 1 || throw new LogicException("{$sold} were bought.");

// A thousand orders whose buyers were cut off after the provider had charged them.
$open = 1_000;
$provider = app(PaymentProvider::class);
for ($i = 1; $i <= $open; $i++) {
    $order = $place->place($attempt(10_000 + $i));
    $payment = $order->payments->last();
    $provider->start($payment->key, $payment->money(), (string) $payment->method, 'x', 'https://pages.example', true);
}
$plain = $bare($open);
$took = $seconds(function (): void {
    while (DB::table('payments')->where('state', 'asked')->exists()) {
        app(Reconciling::class)->run(0);
    }
});
$say('reconciling 1,000 open payments, to as many bare inserts', $took, $plain, sprintf(' (%.1f ms each)', 1000 * $took / $open));

// Very many orders, of two years: rows as the application writes them, from one that it wrote.
$like = Order::query()->whereNotNull('bought_at')->firstOrFail();
$row = (array) DB::table('orders')->where('id', $like->id)->first();
$line = array_diff_key((array) DB::table('order_lines')->where('order_id', $like->id)->first(), ['id' => 0]);
$fact = array_diff_key((array) DB::table('order_facts')->where('order_id', $like->id)->where('type', 'paid')->first(), ['id' => 0]);
$now = CarbonImmutable::now();
mt_srand(7);
DB::transaction(function () use ($many, $row, $line, $fact, $now): void {
    foreach (array_chunk(range(1, $many), 400) as $chunk) {
        [$orders, $lines, $facts] = [[], [], []];
        foreach ($chunk as $i) {
            $id = Ids::next();
            $at = $now->subSeconds(mt_rand(0, 730 * 86_400))->format('Y-m-d H:i:s.v');
            $orders[] = ['id' => $id, 'token' => md5("t{$i}"), 'number' => 10_000 + $i, 'placed_at' => $at, 'bought_at' => $at,
                'receipt_due_at' => null, 'email' => "reader{$i}@pupils.example", 'name' => "Reader {$i}"] + $row;
            $lines[] = ['order_id' => $id] + $line;
            $facts[] = ['order_id' => $id, 'payment_key' => "ul_{$i}", 'at' => $at] + $fact;
        }
        DB::table('orders')->insert($orders);
        DB::table('order_lines')->insert($lines);
        DB::table('order_facts')->insert($facts);
    }
});
DB::statement('analyze');
Auth::login($owner);
$ask = function (string $path) use ($scratch): void {
    $answer = app(Kernel::class)->handle(Request::create($scratch->site.$path, 'GET', server: ['HTTP_ACCEPT' => 'application/json']));
    $answer->getStatusCode() === 200 || throw new LogicException($answer->getStatusCode().' of '.$path
        .': '.mb_substr((string) $answer->getContent(), 0, 300));
    if (str_contains($path, 'export')) {
        ob_start();
        $answer->sendContent();
        ob_end_clean();
    }
};
// What a database cannot help doing: to look at every order once.
$look = fn (): float => $seconds(fn () => DB::table('orders')->where('email', 'like', '%nobody%')->sum('total'));
$look();
$plain = min($look(), $look(), $look());
fprintf(STDOUT, "%d orders; one look at each of them takes %.0f ms\n", Order::query()->count(), 1000 * $plain);
$best = fn (callable $does): float => min($seconds($does), $seconds($does), $seconds($does));
$say('the list of orders, with its sums', $best(fn () => $ask('/studio/api/orders')), $plain);
$say('its last page', $best(fn () => $ask('/studio/api/orders?page='.intdiv($many, 40))), $plain);
$say('looking for a name', $best(fn () => $ask('/studio/api/orders?search=reader+77')), $plain);
$say('one month of it', $best(fn () => $ask('/studio/api/orders?from='.$now->subDays(60)->format('Y-m-d').'&until='
    .$now->subDays(30)->format('Y-m-d'))), $plain);
$say('all of them as CSV', $best(fn () => $ask('/studio/api/orders/export')), $plain);
$last = fn (int $days): Period => Period::last($days, $now, $owner->business->zone());
$say('revenue of 30 days', $best(fn () => app(SalesNumbers::class)->period($owner->business, null, $last(30))), $plain);
$say('revenue of two years', $best(fn () => app(SalesNumbers::class)->period($owner->business, null, $last(730))), $plain);
$say('revenue of two years of one funnel, with its extras',
    $best(fn () => app(SalesNumbers::class)->period($owner->business, $funnel, $last(730))), $plain);
fprintf(STDOUT, "peak memory %.0f MB\n", memory_get_peak_usage() / 1e6);
(new OrderSearch)->query($owner->business)->count() === $many + $count + 1 + $open || throw new LogicException('Some were lost.');
