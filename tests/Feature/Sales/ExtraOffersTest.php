<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Models\Order;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Payments\Practice\Behaviour;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Plan\PageRole;

/** Offers after paying: yes with one click, no by a link, each once, and one receipt at the end of the chain. */
final class ExtraOffersTest extends SalesTestCase
{
    private function yes(PageRole $role): TestResponse
    {
        preg_match('/name="extra" value="yes"><input type="hidden" name="token" value="([^"]+)"/',
            (string) $this->get($this->url($role))->assertOk()->getContent(), $m);

        return $this->post($this->url($role), ['extra' => 'yes', 'token' => html_entity_decode($m[1] ?? '')]);
    }

    private function no(PageRole $role): TestResponse
    {
        return $this->get($this->url($role).'?answer=no');
    }

    public function test_yes_charges_the_kept_card_and_ends_the_chain_with_one_receipt(): void
    {
        $this->buy();
        $order = $this->lastOrder();
        $this->asBuyer($order);
        $this->get($this->url(PageRole::Upsell))->assertSee('Charged to your card ending in 0001, with one click.');
        $this->yes(PageRole::Upsell)->assertRedirect($this->url(PageRole::Delivery));
        $order->refresh();

        self::assertSame([25_000, 25_000, 25_000], [$order->total, $order->paid, self::ledger()]);
        self::assertSame(['main', 'upsell'], $order->lines->map(fn ($l): string => $l->kind->value)->all());
        $receipt = Receipt::query()->sole();
        self::assertSame([1, 25_000, ['First Season', 'A private hour']], [$receipt->number, $receipt->content['total'],
            array_column($receipt->content['lines'], 'name')]);
        self::assertSame(2, ProductAccess::query()->count());
        $this->get($this->url(PageRole::Delivery))->assertSee('First Season')->assertSee('A private hour')
            ->assertSee('everything you have bought')->assertDontSee('/my/', false);
        // Sending it again, by the back button: nothing more is charged.
        $this->yes(PageRole::Upsell);
        self::assertSame([25_000, 1], [self::ledger(), Receipt::query()->count()]);
    }

    public function test_no_leads_to_the_smaller_offer_and_no_again_to_delivery(): void
    {
        $this->buy();
        $this->asBuyer($this->lastOrder());
        $this->no(PageRole::Upsell)->assertRedirect($this->url(PageRole::Downsell));
        $this->no(PageRole::Upsell)->assertRedirect($this->url(PageRole::Downsell));
        self::assertSame(0, Receipt::query()->count());
        $this->no(PageRole::Downsell)->assertRedirect($this->url(PageRole::Delivery));

        self::assertSame(1, Receipt::query()->count(), 'the chain is over');
        self::assertSame(2, DB::table('events')->where('type', 'declined')->count(), 'each no is said once');
    }

    public function test_what_was_ticked_at_the_checkout_is_not_offered_again(): void
    {
        $this->buy(['bump' => [$this->offerId('The recordings')]]);
        $this->asBuyer($this->lastOrder());

        $this->no(PageRole::Upsell)->assertRedirect($this->url(PageRole::Delivery));
        self::assertSame(1, Receipt::query()->count(), 'nothing else is to come: the chain is over');
        $this->get($this->url(PageRole::Delivery))->assertSee('Good to have you here, Ada.');
        $this->asStranger()->get($this->url(PageRole::Delivery))->assertDontSee('Ada');
    }

    public function test_two_extra_offers_are_two_charges_and_a_product_that_they_have_is_given_once(): void
    {
        $this->changeOffer('The recordings', ['product' => $this->product('First Season')->id]);
        $this->publish();
        $this->buy();
        $this->asBuyer($this->lastOrder());
        $this->yes(PageRole::Upsell);
        $this->yes(PageRole::Downsell);

        self::assertSame([27_500, 27_500, 0], [$this->lastOrder()->paid, self::ledger(), $this->lastOrder()->refunded]);
        self::assertSame([2, 2, 0], [ProductAccess::query()->count(), DB::table('order_facts')->where('type', 'access-given')->count(),
            DB::table('refunds')->count()]);
    }

    public function test_an_order_after_which_nothing_can_be_taken_has_its_receipt_at_once(): void
    {
        foreach (['A private hour', 'The recordings'] as $offer) {
            $this->changeOffer($offer, ['until' => '2020-01-01T00:00']);
        }
        $this->publish();
        $this->buy()->assertRedirect($this->url(PageRole::Delivery));

        self::assertSame(1, Receipt::query()->count());
    }

    public function test_the_bank_may_ask_and_a_refused_one_charges_nothing(): void
    {
        $this->buy(['method' => self::card(Behaviour::BankLater)]);
        $order = $this->lastOrder();
        $this->asBuyer($order);
        $bank = (string) parse_url((string) $this->yes(PageRole::Upsell)->assertStatus(303)->headers->get('Location'), PHP_URL_PATH);
        self::assertStringContainsString('/pay/practice/bank/', $bank);
        $back = (string) $this->post($bank, ['decision' => 'approve'])->headers->get('Location');
        $this->get((string) parse_url($back, PHP_URL_PATH))->assertRedirect($this->url(PageRole::Delivery));
        self::assertSame([25_000, 25_000], [$order->refresh()->paid, self::ledger()]);

        $this->asStranger()->buy(['method' => self::card(Behaviour::RefusesLater), 'email' => 'ben@pupils.example']);
        $other = $this->lastOrder();
        $this->asBuyer($other);
        $this->yes(PageRole::Upsell)->assertStatus(422)->assertSee('Nothing was charged for this offer');
        self::assertSame([19_000, 19_000, OrderState::Paid], [$other->refresh()->paid, $other->total, $other->state]);
        self::assertSame(44_000, self::ledger());
        $this->no(PageRole::Upsell)->assertRedirect($this->url(PageRole::Downsell));
    }

    public function test_only_somebody_with_a_fresh_order_can_buy(): void
    {
        $this->buy();
        $order = $this->lastOrder();
        $this->get($this->url(PageRole::Upsell))->assertOk()->assertSee('See how to join')->assertDontSee('name="extra"', false);
        $this->post($this->url(PageRole::Upsell), ['extra' => 'yes', 'token' => 'x'])->assertRedirect('/'.$this->funnel->address);
        $this->withCookie('lantern_order', 'not-an-order')->post($this->url(PageRole::Upsell), ['extra' => 'yes'])
            ->assertRedirect('/'.$this->funnel->address);
        $this->asBuyer($order);
        $this->travel(31)->minutes();
        $this->get($this->url(PageRole::Upsell))->assertSee('See how to join');
        $this->no(PageRole::Upsell)->assertRedirect($this->url(PageRole::Downsell));

        self::assertSame([1, 19_000], [Order::query()->count(), self::ledger()]);
    }

    public function test_an_order_that_was_not_paid_opens_no_extra_offer(): void
    {
        $this->buy(['method' => self::card(Behaviour::Declines)])->assertStatus(422);
        $this->asBuyer($this->lastOrder());

        $this->post($this->url(PageRole::Upsell), ['extra' => 'yes', 'token' => 'x'])->assertRedirect('/'.$this->funnel->address);
        self::assertSame(0, self::ledger());
    }

    public function test_a_sold_out_extra_offer_is_passed_by(): void
    {
        $this->changeOffer('A private hour', ['places' => 1]);
        $this->publish();
        $this->buy();
        $this->asBuyer($this->lastOrder());
        $this->yes(PageRole::Upsell)->assertRedirect($this->url(PageRole::Delivery));

        $this->asStranger()->buy(['email' => 'ben@pupils.example'])->assertRedirect($this->url(PageRole::Downsell));
    }
}
