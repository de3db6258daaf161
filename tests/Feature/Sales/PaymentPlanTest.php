<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Models\Message;
use App\Models\Order;
use App\Models\Payment;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Orders\PayLinks;
use App\Orders\Payments;
use App\Orders\Reconciling;
use App\Payments\Practice\Behaviour;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Orders\AccessState;

/** What is paid in several: each on its day, tried again where it fails, paused when it is owed, and made good by a new card. */
final class PaymentPlanTest extends SalesTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2027-01-31T12:00:00Z');
        $this->changeOffer('Regular price', ['price' => ['kind' => 'payments', 'amount' => 9_900, 'currency' => 'EUR', 'payments' => 3,
            'every' => 'month']]);
        $this->publish();
    }

    private function onPlan(Behaviour $card): Order
    {
        $this->buy(['method' => self::card($card)])->assertStatus(303);
        $this->travel(31)->minutes();
        $this->artisan('lantern:due');

        return $this->lastOrder();
    }

    private function due(string $at): void
    {
        $this->travelTo($at);
        $this->artisan('lantern:due');
        $this->artisan('lantern:due');
        $this->runQueue();
    }

    public function test_every_payment_is_charged_on_its_day_and_once(): void
    {
        $order = $this->onPlan(Behaviour::Approves);
        self::assertSame([29_700, 9_900, 9_900], [$order->total, $order->paid, self::ledger()]);
        self::assertSame(['2027-02-28 12:00:00', '2027-03-31 11:00:00'], $order->payments->where('number', '>', 1)
            ->map(fn (Payment $p): string => $p->due_at->format('Y-m-d H:i:s'))->values()->all());
        self::assertSame([['due' => '2027-02-28', 'amount' => 9_900], ['due' => '2027-03-31', 'amount' => 9_900]],
            Receipt::query()->sole()->content['later']);
        $this->due('2027-02-28T11:59:00Z');
        self::assertSame(9_900, self::ledger());
        $this->due('2027-02-28T12:00:01Z');
        $this->due('2027-03-31T12:00:00Z');
        $this->due('2027-09-01T12:00:00Z');

        self::assertSame([29_700, 29_700, 3], [$order->refresh()->paid, self::ledger(), Receipt::query()->count()]);
        self::assertSame(2, Message::query()->where('subject', 'like', 'Payment received: First Season: payment % of 3')->count());
    }

    public function test_a_missed_payment_is_tried_again_then_access_pauses_and_a_new_card_makes_it_good(): void
    {
        $order = $this->onPlan(Behaviour::RefusesLater);
        foreach (['2027-02-28T12:00:01Z', '2027-03-01T12:00:02Z', '2027-03-03T12:00:02Z'] as $n => $at) {
            $this->due($at);
            self::assertSame($n + 1, Payment::query()->where('number', 2)->where('state', 'failed')->count(), $at);
            self::assertSame(AccessState::Active, ProductAccess::query()->sole()->state);
        }
        $this->due('2027-03-07T12:00:02Z');
        self::assertSame([true, AccessState::Paused], [$order->refresh()->arrears, ProductAccess::query()->sole()->state]);
        $this->due('2027-03-20T12:00:00Z');
        self::assertSame(4, Payment::query()->where('number', 2)->where('state', 'failed')->count(), 'it is not tried for ever');
        self::assertSame(4, Message::query()->where('kind', 'payment-trouble')->where('state', 'sent')->count());
        self::assertSame(4, Message::query()->where('name', 'News of an order')->where('subject', 'like', 'Trouble%')->count());

        $my = (string) parse_url(PayLinks::purchases($order->person), PHP_URL_PATH);
        $this->get($my)->assertOk()->assertSee('did not go through')->assertSee('Paused');
        $this->post($my, ['order' => $order->id, 'method' => 'x'])->assertStatus(422)->assertSee('Please fill in the new card.');
        $this->post($my, ['order' => $order->id, 'method' => self::card(Behaviour::Declines)])->assertStatus(422)
            ->assertSee('Your bank declined this card.');
        $this->post($my, ['order' => $order->id, 'method' => self::card()])->assertOk()->assertSee('The new card is in place.');
        self::assertSame([19_800, 19_800, false, AccessState::Active], [$order->refresh()->paid, self::ledger(), $order->arrears,
            ProductAccess::query()->sole()->state]);
        self::assertSame('0001', $order->card_ends, 'as its buyer knows it');
        $this->due('2027-03-31T12:00:00Z');
        self::assertSame([29_700, 29_700], [$order->refresh()->paid, self::ledger()]);
    }

    public function test_a_later_payment_that_the_bank_asks_for_waits_for_its_buyer(): void
    {
        $order = $this->onPlan(Behaviour::BankLater);
        $this->due('2027-02-28T12:00:01Z');
        $email = Message::query()->where('kind', 'payment-trouble')->sole();
        self::assertStringContainsString('Approve it at your bank', (string) $email->html);
        $payment = Payment::query()->where('number', 2)->sole();
        $this->post((string) parse_url((string) $payment->bank_url, PHP_URL_PATH), ['decision' => 'approve'])->assertStatus(303);
        $this->due('2027-02-28T12:02:00Z');

        self::assertSame([19_800, 19_800], [$order->refresh()->paid, self::ledger()]);
    }

    public function test_a_process_that_dies_before_it_asks_or_after_charges_once(): void
    {
        $order = $this->onPlan(Behaviour::Approves);
        $this->travelTo('2027-02-28T12:00:01Z');
        // Claimed, and nobody was asked.
        Payment::query()->where('number', 2)->update(['state' => 'asked', 'asked_at' => now()->subMinute(), 'method' => $order->method]);
        app(Reconciling::class)->run();
        self::assertSame([19_800, 19_800], [$order->refresh()->paid, self::ledger()]);
        // Asked, and nobody wrote it down.
        Payment::query()->where('number', 2)->update(['state' => 'asked']);
        DB::table('order_facts')->where('payment_key', Payment::query()->where('number', 2)->value('key'))->where('type', 'paid')->delete();
        app(Reconciling::class)->run(0);

        self::assertSame([19_800, 19_800], [$order->refresh()->paid, self::ledger()]);
    }

    public function test_the_owner_gives_a_plan_up_and_nothing_more_is_asked_for(): void
    {
        $order = $this->onPlan(Behaviour::Approves);
        $this->actingAs($this->seller)->postJson("/studio/api/orders/{$order->id}/cancel-plan")->assertOk();
        $this->due('2027-09-01T12:00:00Z');

        self::assertSame([9_900, 9_900], [$order->refresh()->paid, self::ledger()]);
        self::assertSame(2, Payment::query()->where('state', 'cancelled')->count());
    }

    public function test_a_missed_payment_that_went_through_after_all_is_not_tried_again(): void
    {
        $order = $this->onPlan(Behaviour::RefusesLater);
        $this->due('2027-02-28T12:00:01Z');
        $failed = Payment::query()->where('number', 2)->where('state', 'failed')->sole();
        DB::connection('practice')->table('charges')->where('key', $failed->key)->update(['state' => 'paid']);
        app(Payments::class)->lookUp($failed);
        $this->due('2027-03-10T12:00:00Z');

        self::assertSame([19_800, 19_800, 2], [$order->refresh()->paid, self::ledger(), Receipt::query()->count()]);
        self::assertSame(['cancelled'], Payment::query()->where('number', 2)->where('try', 2)->pluck('state')->map->value->all());
    }

    public function test_a_missed_payment_that_went_through_after_it_was_paid_by_another_try_goes_back(): void
    {
        $order = $this->onPlan(Behaviour::RefusesLater);
        $this->due('2027-02-28T12:00:01Z');
        $failed = Payment::query()->where('number', 2)->where('state', 'failed')->sole();
        $order->forceFill(['method' => self::card()])->save();
        $this->due('2027-03-01T12:00:02Z');
        self::assertSame(19_800, $order->refresh()->paid);
        DB::connection('practice')->table('charges')->where('key', $failed->key)->update(['state' => 'paid']);
        app(Payments::class)->lookUp($failed);
        app(Reconciling::class)->run(0);

        self::assertSame([29_700, 9_900, 19_800], [$order->refresh()->paid, $order->refunded, self::ledger()]);
        $this->due('2027-03-31T12:00:00Z');
        self::assertSame([39_600, 29_700], [$order->refresh()->paid, self::ledger()], 'the third payment is still asked for');
    }

    public function test_a_payment_that_was_under_way_does_not_bring_the_old_card_back(): void
    {
        $order = $this->onPlan(Behaviour::Approves);
        $this->travelTo('2027-02-28T12:00:01Z');
        $payment = Payment::query()->with(['order.funnel.business', 'order.lines'])->where('number', 2)->sole();
        $payment->forceFill(['state' => 'asked', 'asked_at' => now(), 'method' => $order->method])->save();
        $new = self::card(Behaviour::Slow);
        $order->forceFill(['method' => $new, 'card_ends' => null])->save();
        app(Payments::class)->ask($payment);

        self::assertSame([19_800, $new, null], [$order->refresh()->paid, $order->method, $order->card_ends]);
    }
}
