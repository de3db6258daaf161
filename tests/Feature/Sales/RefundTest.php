<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Models\Message;
use App\Models\Order;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Models\Refund;
use App\Orders\OrderLog;
use App\Orders\Reconciling;
use App\Orders\Refunding;
use App\Payments\Practice\PracticeBank;
use App\Payments\RefundAnswer;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Orders\AccessState;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Plan\PageRole;

/** Money that goes back: whole, by lines or an amount, never more than there is, and once. */
final class RefundTest extends SalesTestCase
{
    private Order $order;

    protected function setUp(): void
    {
        parent::setUp();
        $this->seller->business->forceFill(['tax_rate' => 1900])->save();
        $this->buy(['bump' => [$this->offerId('The recordings')]])->assertStatus(303);
        $this->order = $this->lastOrder();
        $this->actingAs($this->seller);
    }

    /** @param  array<string, mixed>  $given */
    private function refund(array $given = [], string $act = 'a'): TestResponse
    {
        return $this->postJson("/studio/api/orders/{$this->order->id}/refund", $given + ['act' => str_repeat($act, 32), 'lines' => [],
            'amount' => '', 'endsAccess' => false, 'why' => '']);
    }

    public function test_the_home_list_speaks_of_sales_and_of_what_is_left_of_the_money(): void
    {
        $success = fn (): array => $this->getJson('/studio/api/funnels')->assertOk()->json('funnels.0.success');
        self::assertSame(['sales', 1, '€215', 21_500, 1], [$success()['kind'], $success()['count'], $success()['revenue'],
            $success()['minor'], array_sum($success()['trend'])]);
        $this->refund(['lines' => [2]])->assertOk();
        self::assertSame([1, '€190'], [$success()['count'], $success()['revenue']]);
        self::assertCount(28, $success()['trend']);
        // What the owner tries is no sale, and what is long ago is none of the last four weeks.
        Order::query()->update(['owner' => true]);
        DB::table('order_facts')->update(['owner' => true]);
        self::assertSame([0, ''], [$success()['count'], $success()['revenue']]);
        Order::query()->update(['owner' => false]);
        DB::table('order_facts')->update(['owner' => false]);
        $this->travel(29)->days();
        self::assertSame([0, '', 0], [$success()['count'], $success()['revenue'], array_sum($success()['trend'])]);
    }

    public function test_a_line_goes_back_and_access_to_it_ends(): void
    {
        $this->refund(['lines' => [2], 'endsAccess' => true, 'why' => 'Twice'])->assertOk()->assertJsonPath('state', 'part-refunded')
            ->assertJsonPath('refunded', '€25');
        $this->order->refresh();

        self::assertSame([21_500, 2_500, 19_000], [$this->order->paid, $this->order->refunded, self::ledger()]);
        self::assertSame([AccessState::Active, AccessState::Ended], ProductAccess::query()->orderBy('id')->get()
            ->map(fn (ProductAccess $a): AccessState => $a->state)->all());
        $receipt = Receipt::query()->where('kind', 'refund')->sole();
        self::assertSame([2_500, 399], [$receipt->content['total'], $receipt->content['tax']]);
        $this->runQueue();
        self::assertSame(1, Message::query()->where('subject', 'Refund: The recordings')->count());
        self::assertSame(1, Message::query()->where('subject', 'like', 'Refunded: order%')->count());
        $this->refund(['lines' => [2]], 'b')->assertStatus(422)->assertJsonPath('message', 'There is nothing left of it to refund.');
    }

    public function test_an_amount_falls_on_the_lines_and_all_of_it_ends_the_order(): void
    {
        $this->refund(['amount' => '43'])->assertOk()->assertJsonPath('state', 'part-refunded');
        self::assertSame([1 => 3_800, 2 => 500], OrderLog::sums($this->order)->refundedByLine);
        $this->refund(['amount' => '172.01'], 'b')->assertStatus(422)->assertJsonPath('message', 'At most €172 can be refunded here.');
        $this->refund([], 'c')->assertOk()->assertJsonPath('state', 'refunded');

        self::assertSame([OrderState::Refunded, 21_500, 0], [$this->order->refresh()->state, $this->order->refunded, self::ledger()]);
        self::assertSame(AccessState::Active, ProductAccess::query()->firstOrFail()->state, 'the owner let them keep it');
    }

    public function test_each_line_goes_back_out_of_the_payment_that_was_for_it(): void
    {
        $this->asBuyer($this->order);
        preg_match('/name="token" value="([^"]+)"/', (string) $this->get($this->url(PageRole::Upsell))->getContent(), $m);
        $this->post($this->url(PageRole::Upsell), ['extra' => 'yes', 'token' => html_entity_decode($m[1])])->assertStatus(303);
        $this->refund(['lines' => [1, 2]])->assertOk();

        self::assertSame([21_500, 0], DB::connection('practice')->table('charges')->orderBy('id')->pluck('refunded')
            ->map(fn ($r): int => (int) $r)->all());
        self::assertSame([[1 => 19_000, 2 => 2_500]], Refund::query()->get()->map(fn (Refund $r): array => $r->lines)->all());
    }

    public function test_pressing_twice_is_one_refund(): void
    {
        $this->refund(['amount' => '10'])->assertOk();
        $this->refund(['amount' => '10'])->assertOk();

        self::assertSame([1, 1_000, 20_500], [Refund::query()->count(), $this->order->refresh()->refunded, self::ledger()]);
    }

    public function test_what_cannot_be_refunded(): void
    {
        foreach (['0' => 422, '-5' => 422, '1e3' => 422, '99999' => 422, '1.234' => 422, 'all' => 422] as $amount => $status) {
            $this->refund(['amount' => (string) $amount], 'z')->assertStatus($status);
        }
        $this->refund(['act' => 'x'])->assertStatus(422);
        $this->refund(['lines' => [99]])->assertStatus(422);
        $this->refund(['lines' => 'all', 'amount' => ['5']], 'y')->assertStatus(422);
        $this->actingAs($this->owner('stranger@example.com'));
        $this->refund()->assertNotFound();

        self::assertSame(21_500, self::ledger());
    }

    public function test_a_refund_that_died_on_its_way_is_finished_once(): void
    {
        $this->refund(['amount' => '10'])->assertOk();
        // As if the process had died after the provider did it, before it was written down.
        DB::table('refunds')->update(['state' => 'asked', 'settled_at' => null]);
        DB::table('order_facts')->where('type', 'refunded')->delete();
        // And another one before the provider was asked.
        app(Reconciling::class)->run(0);
        app(Reconciling::class)->run(0);
        self::assertSame([1_000, 20_500], [$this->order->refresh()->refunded, self::ledger()]);

        DB::table('refunds')->update(['state' => 'asked']);
        DB::table('order_facts')->where('type', 'refunded')->delete();
        DB::connection('practice')->table('charge_refunds')->delete();
        DB::connection('practice')->table('charges')->update(['refunded' => 0]);
        app(Reconciling::class)->run(0);
        self::assertSame([1_000, 20_500], [$this->order->refresh()->refunded, self::ledger()]);
    }

    public function test_a_provider_that_says_another_amount_of_a_refund_is_not_believed(): void
    {
        $this->refund(['amount' => '10'])->assertOk();
        $key = (string) Refund::query()->sole()->key;
        DB::table('refunds')->update(['state' => 'asked', 'settled_at' => null]);
        DB::table('order_facts')->where('type', 'refunded')->delete();
        app(Refunding::class)->settle($key, new RefundAnswer(true, 999));

        self::assertSame('failed', Refund::query()->sole()->state->value);
        self::assertSame(0, OrderLog::sums($this->order)->refunded);
    }

    public function test_a_dispute_pauses_access_and_its_end_opens_it_again(): void
    {
        $key = (string) $this->order->payments[0]->key;
        $this->postJson("/studio/api/sales/ledger/{$key}/dispute", ['begins' => true])->assertOk()
            ->assertJsonPath('charges.0.disputed', true);
        $this->artisan('lantern:due');
        self::assertSame([OrderState::Disputed, AccessState::Paused],
            [$this->order->refresh()->state, ProductAccess::query()->firstOrFail()->state]);
        $this->refund()->assertStatus(422);
        self::assertSame(1,
            Message::query()->where('name', 'News of an order')->where('unique_key', 'like', 'sale-notice:disputed%')->count());
        $this->postJson("/studio/api/sales/ledger/{$key}/dispute", ['begins' => false])->assertOk();
        $this->artisan('lantern:due');

        self::assertSame([OrderState::Paid, AccessState::Active], [$this->order->refresh()->state,
            ProductAccess::query()->firstOrFail()->state]);
        self::assertFalse(app(PracticeBank::class)->dispute($key, false));
    }

    public function test_a_refunded_place_is_free_again_and_can_be_bought_again(): void
    {
        $this->changeOffer('Regular price', ['places' => 1]);
        $this->publish();
        $this->get($this->url(PageRole::Checkout))->assertSee('All places are taken');
        $this->refund(['endsAccess' => true])->assertOk();

        $this->buy()->assertStatus(303);
        self::assertSame(2, $this->lastOrder()->number);
    }
}
