<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Drafts\DraftRows;
use App\Models\Message;
use App\Models\Order;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Orders\PayLinks;
use App\Orders\SalesNumbers;
use App\Results\Counts;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Orders\AccessState;
use Lantern\Core\Plan\PageRole;
use Smalot\PdfParser\Parser;

/** What the owner sees of sales, and what a buyer finds behind their link. */
final class OrdersTest extends SalesTestCase
{
    private function three(): void
    {
        $this->buy(['bump' => [$this->offerId('The recordings')], 'name' => 'Ada Moss, =1+1'])->assertStatus(303);
        $this->travel(1)->days();
        $this->asStranger()->buy(['email' => 'ben@pupils.example', 'name' => 'Ben'])->assertStatus(303);
        $this->asBuyer($this->lastOrder())->get($this->url(PageRole::Upsell).'?answer=no');
        $this->asStranger()->buy(['email' => 'cleo@pupils.example', 'name' => '', 'method' => self::card(
            \App\Payments\Practice\Behaviour::Declines)])->assertStatus(422);
        $this->actingAs($this->seller);
    }

    public function test_orders_are_found_summed_and_exported(): void
    {
        $this->three();
        $list = fn (string $query): array => $this->getJson("/studio/api/orders?{$query}")->assertOk()->json();
        $numbers = fn (string $query): array => array_column($list($query)['orders'], 'number');

        self::assertSame([2, 1], $numbers(''));
        self::assertSame([null, 2, 1], $numbers('state=all'));
        self::assertSame([null], $numbers('state=failed'));
        self::assertSame([1], $numbers('search=ADA'));
        self::assertSame([2], $numbers('search=2'));
        self::assertSame([1], $numbers('offer='.$this->offerId('The recordings')));
        self::assertSame([], $numbers('funnel=x'));
        self::assertSame([2], $numbers('from='.now()->setTimezone('Europe/Berlin')->format('Y-m-d')));
        self::assertSame([1], $numbers('until='.now()->subDay()->setTimezone('Europe/Berlin')->format('Y-m-d')));
        self::assertSame([2, 1], $numbers('from=2026-02-30&until[]=x&page=-3&search[]=y'));
        self::assertSame([['currency' => 'EUR', 'orders' => 2, 'total' => '€405', 'paid' => '€405', 'refunded' => '€0']],
            $list('')['sums']);
        $csv = $this->get('/studio/api/orders/export?search=ada')->assertOk()->streamedContent();
        self::assertStringContainsString('First Season; The recordings,EUR,215.00,215.00,0.00', $csv);
        self::assertStringContainsString('"Ada Moss, =1+1"', $csv);
        $this->actingAs($this->owner('stranger@example.com'));
        self::assertSame([], $list('state=all')['orders']);
    }

    public function test_results_equal_the_ledger_and_can_be_rebuilt(): void
    {
        $this->three();
        $first = Order::query()->where('number', 1)->sole();
        $this->postJson("/studio/api/orders/{$first->id}/refund", ['act' => str_repeat('a', 32), 'lines' => [2], 'amount' => ''])
            ->assertOk();
        $sales = $this->getJson("/studio/api/funnels/{$this->funnel->id}/sales?days=28")->assertOk()->json();

        self::assertSame(self::ledger(), $sales['sums'][0]['minor']);
        self::assertSame([2, '€380', '€405', '€25', '€190'], [$sales['sums'][0]['orders'], $sales['sums'][0]['revenue'],
            $sales['sums'][0]['paid'], $sales['sums'][0]['refunded'], $sales['sums'][0]['average']]);
        self::assertSame([2, 38_000], [array_sum(array_column($sales['days'], 'orders')),
            array_sum(array_map(fn (array $d): int => $d['revenue']['EUR'] ?? 0, $sales['days']))]);
        self::assertSame([['Order bump', 1, 2], ['Upsell', 0, 1]],
            array_map(fn (array $e): array => [$e['kind'], $e['taken'], $e['could']], $sales['extras']));
        $pages = fn (): array => $this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('pageNumbers');
        $checkout = (string) $this->plan()->pageOf(PageRole::Checkout)?->id;
        self::assertSame(2, $pages()[$checkout]['sales']);
        $before = $pages();
        app(Counts::class)->rebuild($this->seller->business);
        self::assertSame($before, $pages());
        $sums = fn (): array => (new SalesNumbers)->ofPerson($first->business, $first->person_id);
        self::assertSame([['currency' => 'EUR', 'orders' => 1, 'revenue' => '€190']], $sums());
        $first->business->locale = 'de-DE';
        self::assertSame(["190\u{a0}€"], array_column($sums(), 'revenue'), 'as its owner reads it');
        $this->getJson("/studio/api/people/{$first->person_id}")->assertJsonPath('purchases.orders.0.number', 1);
    }

    public function test_one_order_with_everything_an_owner_does_to_it(): void
    {
        $this->three();
        $order = Order::query()->where('number', 2)->sole();
        $url = "/studio/api/orders/{$order->id}";
        $whole = $this->getJson($url)->assertOk();
        self::assertSame(['Ordered', 'Payment asked for', 'Paid', 'Access given'], array_column($whole->json('facts'), 'label'));
        $this->postJson("{$url}/notes", ['text' => ''])->assertStatus(422);
        $this->postJson("{$url}/notes", ['text' => str_repeat('x', 2001)])->assertStatus(422);
        $this->postJson("{$url}/notes", ['text' => 'Rang me up'])->assertOk()->assertJsonPath('facts.4.words', 'Rang me up');
        $access = ProductAccess::query()->where('order_id', $order->id)->sole();
        $this->deleteJson("{$url}/access/{$access->id}")->assertOk()->assertJsonPath('access.0.state', 'ended');
        $this->postJson("{$url}/access", ['product' => $access->product_id])->assertOk()->assertJsonPath('access.0.state', 'active');
        $this->postJson("{$url}/access", ['product' => $this->product('A private hour')->id])->assertOk()->assertJsonCount(2, 'access');
        $this->postJson("{$url}/access", ['product' => 'x'])->assertStatus(422);
        $this->travel(31)->minutes();
        $this->artisan('lantern:due');
        $receipt = Receipt::query()->where('order_id', $order->id)->sole();
        $this->postJson("{$url}/receipts/{$receipt->id}")->assertOk();
        self::assertSame(2, Message::query()->where('kind', 'receipt')->where('to_address', 'ben@pupils.example')->count());
    }

    public function test_my_purchases_open_by_their_own_link_alone(): void
    {
        $upload = $this->upload($this->seller, 'workbook.pdf');
        $part = $this->part('First Season', 'product');
        $part->change(['files' => [['id' => $upload->id, 'name' => 'workbook.pdf', 'mime' => 'application/pdf', 'bytes' => 5]],
            'page' => (string) $this->plan()->pageOf(PageRole::Delivery)?->id, 'name' => '<b>First</b> Season'])->save();
        $this->publish();
        $this->get($this->url(PageRole::Delivery))->assertStatus(403)->assertSee('for those who bought it');
        $this->buy()->assertStatus(303);
        $order = $this->lastOrder();
        $my = (string) parse_url(PayLinks::purchases($order->person), PHP_URL_PATH);
        $html = (string) $this->get($my)->assertOk()->assertSee('<b>First</b> Season')->getContent();
        preg_match_all('~href="http://localhost(/my/[^"]+)"~', $html, $links);
        [$open, $file] = array_values(array_filter($links[1], fn (string $l): bool => preg_match('~/my/(open|files)/~', $l) === 1));
        $this->get($file)->assertOk()->assertHeader('content-type', 'application/pdf');
        $opened = $this->get($open)->assertRedirect($this->url(PageRole::Delivery));
        $this->withUnencryptedCookie('lantern_access', (string) $opened->getCookie('lantern_access', false)?->getValue());
        $this->get($this->url(PageRole::Delivery))->assertOk()->assertSee('Good to have you here');

        foreach ([substr($my, 0, -1).'x', str_replace($order->person_id, Ids::next(), $my), '/my/'.$order->person_id.'/x',
            str_replace('open', 'files',
                $open)] as $wrong) {
            $this->get($wrong)->assertNotFound();
        }
        ProductAccess::query()->update(['state' => AccessState::Paused]);
        $this->get($open)->assertStatus(403)->assertSee('Access is paused');
        $this->get($file)->assertStatus(403);
        $this->get($this->url(PageRole::Delivery))->assertStatus(403);
        ProductAccess::query()->update(['state' => AccessState::Ended]);
        $this->get($open)->assertStatus(403)->assertSee('not open to you any more');
    }

    public function test_a_receipt_in_print_says_seller_lines_tax_and_number(): void
    {
        $this->seller->business->forceFill(['tax_rate' => 1900, 'tax_name' => 'VAT', 'tax_number' => 'XX 12'])->save();
        $this->three();
        $this->travel(31)->minutes();
        $this->artisan('lantern:due');
        $receipt = Receipt::query()->orderBy('number')->firstOrFail();
        $pdf = (string) $this->get((string) parse_url(PayLinks::receipt($receipt), PHP_URL_PATH))->assertOk()->getContent();
        self::assertStringStartsWith('%PDF', $pdf);
        // The PDF's text is packed; what is printed is the view.
        $html = view('pay.receipt', ['paper' => new \App\Orders\ReceiptPaper($receipt),
            'say' => \App\Languages\Voices::of('en')])->render();
        foreach (['Receipt 1', 'Ferncroft Cello Room', 'XX 12', 'Ada Moss', 'First Season', 'The recordings', '€215', '€34.33',
            'card ending in 0001'] as $said) {
            self::assertStringContainsString($said, $html);
        }
        self::assertFalse(class_exists(Parser::class) && ! str_contains((new Parser)->parseContent($pdf)->getText(), '215'));
        self::assertSame(range(1, Receipt::query()->count()), Receipt::query()->orderBy('number')->pluck('number')->all());
    }

    public function test_single_use_codes_are_made_by_the_hundred_and_used_once(): void
    {
        $coupon = DraftRows::add($this->funnel, new Coupon(Ids::next(), 'Pupils', '', 50, null));
        $this->publish();
        $this->actingAs($this->seller);
        foreach ([0, -1, 'many', 1001, null] as $count) {
            $this->postJson("/studio/api/parts/{$coupon->id}/codes", ['count' => $count])->assertStatus($count === 1001 ? 201 : 422);
        }
        self::assertSame(1000, DB::table('coupon_codes')->distinct()->count('code'));
        $code = (string) DB::table('coupon_codes')->value('code');
        $this->buy(['coupon' => strtolower($code)])->assertStatus(303);
        self::assertSame([9_500, 9_500], [$this->lastOrder()->paid, self::ledger()]);
        $this->asStranger()->buy(['email' => 'ben@pupils.example', 'coupon' => $code])->assertStatus(422)
            ->assertSee('This code was used already.');
        $csv = $this->get("/studio/api/parts/{$coupon->id}/codes")->assertOk()->streamedContent();
        self::assertStringContainsString("{$code},used,ada@pupils.example", $csv);
        self::assertSame(999, substr_count($csv, ',free,'));
    }

    public function test_a_buyer_who_is_forgotten_leaves_numbers_alone(): void
    {
        $this->three();
        $this->travel(31)->minutes();
        $this->artisan('lantern:due');
        $order = Order::query()->where('number', 2)->sole();
        $this->postJson("/studio/api/people/{$order->person_id}/erase")->assertSuccessful();

        foreach (DB::table('sqlite_master')->where('type', 'table')->pluck('name') as $table) {
            self::assertStringNotContainsString('ben@pupils', (string) json_encode(DB::table((string) $table)->get()), (string) $table);
        }
        self::assertSame([19_000, 2], [$order->refresh()->paid, $order->number]);
    }
}
