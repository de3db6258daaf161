<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Drafts\DraftRows;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Order;
use App\Models\Person;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Models\Refund;
use App\Orders\PaymentKey;
use App\Orders\Payments;
use App\Orders\Receipts;
use App\Orders\Reconciling;
use App\Payments\Practice\Behaviour;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Plan\PageRole;
use PHPUnit\Framework\Attributes\DataProvider;

/** From the checkout to money, delivery, receipt and the next page. */
final class CheckoutTest extends SalesTestCase
{
    public function test_a_stranger_buys_and_gets_what_they_paid_for(): void
    {
        $this->buy()->assertRedirect($this->url(PageRole::Upsell));
        $order = $this->lastOrder();
        self::assertSame([OrderState::Paid, 1, 19_000, 19_000], [$order->state, $order->number, $order->total, $order->paid]);
        self::assertSame(19_000, self::ledger());
        self::assertSame(['First Season'], ProductAccess::query()->get()->map(fn (ProductAccess $a): string => $a->product()->name)->all());
        self::assertSame(['Bought First Season'], $order->person->tags->pluck('name')->all());
        self::assertSame([false, 'Ada', 'Moss'], [$order->person->pending, $order->person->first_name, $order->person->last_name]);
        self::assertSame(1, DB::table('enrolments')->where('person_id', $order->person_id)->count());
        self::assertSame(0, Receipt::query()->count(), 'it waits for the extra offers');

        $this->travel(31)->minutes();
        app(Receipts::class)->issueDue();
        app(Receipts::class)->issueDue();
        self::assertSame([1], Receipt::query()->pluck('number')->all());
        $this->runQueue();
        $email = Message::query()->where('kind', 'receipt')->sole();
        self::assertSame(['sent', 'Your receipt: First Season'], [$email->state->value, $email->subject]);
        preg_match('~href="([^"]*/my/receipts/[^"]*)"~', (string) $email->html, $pdf);
        $this->get((string) parse_url(html_entity_decode($pdf[1]), PHP_URL_PATH))->assertOk()
            ->assertHeader('content-type', 'application/pdf');
        self::assertSame(1, Message::query()->where('kind', 'sale-notice')->count(), 'the owner is told once');
    }

    public function test_bump_coupon_and_tax_come_to_what_is_charged(): void
    {
        $this->seller->business->forceFill(['tax_rate' => 1900])->save();
        DraftRows::add($this->funnel, new Coupon(Ids::next(), 'Early', 'EARLY', 10, null, [$this->offerId('Regular price')]));
        $this->publish();
        $typed = ['bump' => [$this->offerId('The recordings')], 'coupon' => ' early '];

        $html = (string) $this->post($this->url(PageRole::Checkout), $this->checkout($typed + ['check' => '1']))->assertOk()->getContent();
        self::assertStringContainsString('<div class="sum-off"><dt>Code EARLY (10% off)</dt><dd>−€19</dd></div>', $html);
        self::assertStringContainsString('<div class="sum-all"><dt>Total</dt><dd>€196</dd></div>', $html);
        self::assertSame(0, Order::query()->count(), 'asking for the sum buys nothing');
        $sums = $this->postJson($this->url(PageRole::Checkout), $this->checkout($typed + ['check' => '1', 'email' => '']))->assertOk();
        self::assertSame(['€196', true, []], [$sums->json('due'), $sums->json('card'), $sums->json('errors')]);

        $this->buy($typed)->assertRedirect($this->url(PageRole::Upsell));
        $order = $this->lastOrder();
        self::assertSame([19_600, 19_600, 'EARLY'], [$order->total, $order->paid, $order->coupon_code]);
        self::assertSame([[19_000, 1_900, 2_730], [2_500, 0, 399]], $order->lines->map(fn ($l): array => [$l->line['price'],
            $l->line['discount'], $l->line['tax']])->all());
        self::assertSame(19_600, self::ledger());
        // Once per person.
        $this->buy(['email' => 'ben@pupils.example'] + $typed)->assertStatus(303);
        $this->changeOffer('Regular price', ['oncePerPerson' => false]);
        $this->publish();
        $this->buy(['coupon' => 'early'])->assertStatus(422)->assertSee('You have used this code already.');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no address' => [['email' => ''], 'Where shall the receipt go?'];
        yield 'no address at all' => [['email' => 'ada at home'], 'email'];
        yield 'an address that is a list' => [['email' => ['a@b.example']], 'Where shall the receipt go?'];
        yield 'a name of five thousand letters' => [['name' => str_repeat('ä', 5000)], '200 characters at most'];
        yield 'a code that is not there' => [['coupon' => 'NOSUCH'], 'There is no such code'];
        yield 'a code that is a list' => [['coupon' => ['EARLY'], 'method' => ''], 'fill in your card'];
        yield 'no card' => [['method' => ''], 'fill in your card'];
        yield 'a card that is a list' => [['method' => ['x']], 'fill in your card'];
        yield 'a card number of their own' => [['method' => '4000 0000'], 'fill in your card'];
        yield 'another offer' => [['offer' => 'x'], 'This page has changed'];
        yield 'an offer that is a list' => [['offer' => ['x']], 'This page has changed'];
        yield 'somebody else’s token' => [['token' => 'x'], 'open for a long time'];
        yield 'a program' => [['website' => 'http://spam.example'], 'look at your order once more'];
    }

    /** @param  array<string, mixed>  $typed */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_and_nothing_typed_is_lost(array $typed, string $sentence): void
    {
        $html = (string) $this->buy($typed)->assertStatus(422)->assertSee($sentence)->getContent();

        if (! array_key_exists('name', $typed)) {
            self::assertStringContainsString('name="name" autocomplete="name" maxlength="200" value="Ada Moss"', $html);
        }
        self::assertSame([0, 0, 0], [Order::query()->count(), Person::query()->count(), self::ledger()]);
    }

    public function test_amounts_and_prices_in_the_request_change_nothing(): void
    {
        $this->buy(['amount' => '1', 'price' => '1', 'total' => '1', 'currency' => 'JPY', 'shown' => 'eyJhdCI6MX0=.'.str_repeat('a', 32),
            'bump' => [$this->offerId('A private hour'), 'x', ['y']]])->assertStatus(303);

        self::assertSame([19_000, 'EUR', 1], [$this->lastOrder()->paid, $this->lastOrder()->currency, $this->lastOrder()->lines->count()]);
    }

    public function test_whoever_saw_the_lower_price_within_the_hour_gets_it_and_later_ones_are_asked_again(): void
    {
        $early = $this->checkout();
        $late = $this->checkout(['email' => 'ben@pupils.example']);
        $this->changeOffer('Regular price', ['price' => ['kind' => 'once', 'amount' => 29_000, 'currency' => 'EUR']]);
        $this->publish();

        $this->travel(50)->minutes();
        $this->post($this->url(PageRole::Checkout), $early)->assertStatus(303);
        self::assertSame(19_000, $this->lastOrder()->paid);
        $this->travel(11)->minutes();
        $this->post($this->url(PageRole::Checkout), $late)->assertStatus(422)->assertSee('The price has changed')->assertSee('€290');
        self::assertSame(1, Order::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function otherWaysToPay(): iterable
    {
        yield 'in payments from now on' => [['kind' => 'payments', 'amount' => 9_900, 'currency' => 'EUR', 'payments' => 3]];
        yield 'of any amount from now on, and more at least' => [['kind' => 'named', 'amount' => 25_000, 'currency' => 'EUR']];
        yield 'with tax on top from now on' => [['kind' => 'once', 'amount' => 29_000, 'currency' => 'EUR', 'taxOnTop' => true]];
    }

    /** @param  array<string, mixed>  $price */
    #[DataProvider('otherWaysToPay')]
    public function test_whoever_saw_a_lower_price_pays_as_they_saw_it(array $price): void
    {
        $typed = $this->checkout();
        $this->changeOffer('Regular price', ['price' => $price]);
        $this->publish();
        $this->travel(30)->minutes();
        $this->post($this->url(PageRole::Checkout), $typed)->assertStatus(303);

        self::assertSame([19_000, 19_000, 1], [$this->lastOrder()->total, $this->lastOrder()->paid, $this->lastOrder()->payments->count()]);
    }

    public function test_a_currency_that_changed_is_asked_for_again(): void
    {
        $typed = $this->checkout();
        Funnel::query()->update(['currency' => 'CHF']);
        foreach (['Regular price', 'A private hour', 'The recordings', 'Introductory price'] as $offer) {
            $this->changeOffer($offer, ['price' => ['kind' => 'once', 'amount' => 29_000, 'currency' => 'CHF']]);
        }
        $this->publish();
        $this->post($this->url(PageRole::Checkout), $typed)->assertStatus(422)->assertSee('has changed')->assertSee('CHF');

        self::assertSame([0, 0], [Order::query()->count(), self::ledger()]);
    }

    public function test_a_price_that_fell_is_simply_the_lower_one(): void
    {
        $typed = $this->checkout();
        $this->changeOffer('Regular price', ['price' => ['kind' => 'once', 'amount' => 9_000, 'currency' => 'EUR']]);
        $this->publish();

        $this->post($this->url(PageRole::Checkout), $typed)->assertStatus(303);
        self::assertSame(9_000, $this->lastOrder()->paid);
    }

    public function test_the_same_checkout_sent_again_and_again_is_one_order_and_one_charge(): void
    {
        $typed = $this->checkout();
        for ($i = 0; $i < 3; $i++) {
            $this->post($this->url(PageRole::Checkout), $typed)->assertRedirect($this->url(PageRole::Upsell));
        }
        // Another one, from another tab: they have it already.
        $this->buy()->assertStatus(409)->assertSee('You have this already');

        self::assertSame([1, 19_000, 1], [Order::query()->count(), self::ledger(), ProductAccess::query()->count()]);
        self::assertSame(1, DB::table('events')->where('type', 'bought')->count());
    }

    /** @return iterable<string, array{Behaviour, string}> */
    public static function refusals(): iterable
    {
        yield 'declined' => [Behaviour::Declines, 'Your bank declined this card.'];
        yield 'no money' => [Behaviour::NoFunds, 'There is not enough money on this card.'];
        yield 'expired' => [Behaviour::Expired, 'This card has expired.'];
    }

    #[DataProvider('refusals')]
    public function test_a_refused_card_is_said_and_another_one_will_do(Behaviour $card, string $sentence): void
    {
        $typed = $this->checkout(['method' => self::card($card)]);
        $this->post($this->url(PageRole::Checkout), $typed)->assertStatus(422)->assertSee($sentence)->assertSee('ada@pupils.example');
        $order = $this->lastOrder();
        self::assertSame([OrderState::Failed, null, LineState::Failed], [$order->state, $order->number, $order->lines[0]->state]);
        self::assertTrue($order->person->pending, 'nobody is on the list who has not paid');

        $this->post($this->url(PageRole::Checkout), ['method' => self::card(), 'bump' => [$this->offerId('The recordings')]] + $typed)
            ->assertStatus(303);
        $order = $this->lastOrder();
        self::assertSame([1, OrderState::Paid, 21_500, 1], [Order::query()->count(), $order->state, $order->paid, $order->number]);
        self::assertSame(21_500, self::ledger());
    }

    public function test_the_buyers_bank_is_asked_and_approves(): void
    {
        $bank = (string) $this->buy(['method' => self::card(Behaviour::AsksBank)])->assertStatus(303)->headers->get('Location');
        $path = (string) parse_url($bank, PHP_URL_PATH);
        self::assertSame(OrderState::Waiting, $this->lastOrder()->state);
        $this->get($path)->assertOk()->assertSee('Do you approve this payment?')->assertSee('€190');
        $this->post(str_replace('bank/ul_', 'bank/xx_', $path), ['decision' => 'approve'])->assertNotFound();

        $back = (string) $this->post($path, ['decision' => 'approve'])->assertStatus(303)->headers->get('Location');
        $this->get((string) parse_url($back, PHP_URL_PATH))->assertRedirect($this->url(PageRole::Upsell));
        $this->get((string) parse_url($back, PHP_URL_PATH))->assertRedirect($this->url(PageRole::Upsell));
        $this->post($path, ['decision' => 'refuse'])->assertStatus(303);
        self::assertSame([OrderState::Paid, 19_000, 19_000], [$this->lastOrder()->state, $this->lastOrder()->paid, self::ledger()]);
    }

    public function test_what_is_refused_at_the_bank_or_left_there_frees_the_place(): void
    {
        $this->changeOffer('Regular price', ['places' => 1]);
        $this->publish();
        $bank = fn (string $email): string => (string) parse_url((string) $this->buy(['method' => self::card(Behaviour::AsksBank),
            'email' => $email])->assertStatus(303)->headers->get('Location'), PHP_URL_PATH);
        $ben = $this->checkout(['email' => 'ben@pupils.example']);
        $path = $bank('ada@pupils.example');
        $this->post($this->url(PageRole::Checkout), $ben)->assertStatus(409)->assertSee('All places are taken');
        $back = (string) $this->post($path, ['decision' => 'refuse'])->headers->get('Location');
        $this->get((string) parse_url($back, PHP_URL_PATH))->assertOk()->assertSee('It was not approved at your bank');
        $bank('cleo@pupils.example');
        // Nobody ever answers: after half an hour the place is free again.
        $this->travel(31)->minutes();
        app(Reconciling::class)->run();
        $this->buy(['email' => 'ben@pupils.example'])->assertStatus(303);

        self::assertSame(19_000, self::ledger());
        self::assertSame(['failed', 'failed', 'paid'],
            Order::query()->orderBy('placed_at')->get()->map(fn (Order $o): string => $o->state->value)
                ->all());
    }

    public function test_an_answer_that_is_lost_is_found_out_by_key(): void
    {
        $wait = (string) $this->buy(['method' => self::card(Behaviour::LosesAnswer)])->assertStatus(303)->headers->get('Location');
        self::assertStringContainsString('/pay/wait/', $wait);
        self::assertSame([OrderState::Open, 19_000], [$this->lastOrder()->state, self::ledger()], 'charged, and not known of here');
        $this->get((string) parse_url($wait, PHP_URL_PATH))->assertRedirect($this->url(PageRole::Upsell));
        self::assertSame(OrderState::Paid, $this->lastOrder()->state);

        $this->buy(['method' => self::card(Behaviour::LosesAnswer), 'email' => 'ben@pupils.example'])->assertStatus(303);
        $this->travel(21)->seconds();
        app(Reconciling::class)->run();
        self::assertSame([2, 38_000], [Order::query()->where('state', 'paid')->count(), self::ledger()]);
    }

    public function test_what_was_never_asked_for_is_given_up_and_charges_nobody(): void
    {
        $this->buy(['method' => self::card(Behaviour::LosesAnswer)]);
        DB::connection('practice')->table('charges')->delete();
        app(Reconciling::class)->run(0);
        self::assertSame(OrderState::Open, $this->lastOrder()->state);
        $this->travel(31)->minutes();
        app(Reconciling::class)->run(0);

        self::assertSame([OrderState::Failed, LineState::Failed], [$this->lastOrder()->state, $this->lastOrder()->lines[0]->state]);
    }

    public function test_an_offer_that_is_not_sold_says_so_in_place_of_the_checkout(): void
    {
        $page = fn (): string => (string) $this->get($this->url(PageRole::Checkout))->assertOk()->getContent();
        foreach ([['from' => '2099-01-01T00:00'], ['until' => '2020-01-01T00:00'], ['places' => 1]] as $i => $change) {
            $before = $this->checkout(['email' => "buyer{$i}@pupils.example"]);
            if ($change === ['places' => 1]) {
                $this->buy(['email' => 'first@pupils.example'])->assertStatus(303);
                $this->flushHeaders()->defaultCookies = [];
            }
            $this->changeOffer('Regular price', $change);
            $this->publish();
            $words = ['Not open yet', 'This offer is over', 'All places are taken'][$i];
            self::assertStringContainsString($words, $page());
            self::assertStringNotContainsString('name="checkout"', $page());
            $this->post($this->url(PageRole::Checkout), $before)->assertStatus(409)->assertSee($words);
            $this->part('Regular price', Offer::kind())->change(['from' => '', 'until' => '', 'places' => null])->save();
            $this->publish();
        }
        self::assertSame(19_000, self::ledger());
    }

    public function test_everything_off_needs_no_card_and_is_delivered_at_once(): void
    {
        DraftRows::add($this->funnel, new Coupon(Ids::next(), 'Present', 'PRESENT', 100, null));
        $this->publish();
        $this->buy(['coupon' => 'present', 'method' => ''])->assertStatus(303);

        $order = $this->lastOrder();
        self::assertSame([OrderState::Paid, 0, 1], [$order->state, $order->total, $order->number]);
        self::assertSame(1, ProductAccess::query()->count());
        self::assertSame(0, self::ledger());
    }

    public function test_an_amount_of_their_own_is_taken_from_the_least_on(): void
    {
        $this->changeOffer('Regular price', ['price' => ['kind' => 'named', 'amount' => 1_000, 'currency' => 'EUR']]);
        $this->publish();
        foreach (['' => 'How much would you like to pay?', '9.99' => 'It begins at €10.', '-5' => 'An amount is written in digits',
            '1e9' => 'An amount is written in digits', '10.5555' => 'at most 2 decimals',
            '99999999999' => 'too large'] as $typed => $words) {
            $this->buy(['amount' => (string) $typed])->assertStatus(422)->assertSee($words);
        }
        $this->buy(['amount' => '33,30'])->assertStatus(303);

        self::assertSame([3_330, 3_330], [$this->lastOrder()->paid, self::ledger()]);
    }

    public function test_guessing_codes_is_slowed_down(): void
    {
        for ($i = 0; $i < 10; $i++) {
            $this->buy(['coupon' => "GUESS{$i}"])->assertStatus(422);
        }
        $this->buy()->assertStatus(429)->assertSee('One moment, please');
        self::assertSame(0, Order::query()->count());
    }

    public function test_an_offer_that_is_removed_while_somebody_pays_is_delivered_as_it_was(): void
    {
        $path = (string) parse_url((string) $this->buy(['method' => self::card(Behaviour::AsksBank)])->headers->get('Location'),
            PHP_URL_PATH);
        $this->part('First Season', 'product')->forceFill(['removed' => ['at' => 'x']])->save();
        $this->part('Regular price', Offer::kind())->forceFill(['removed' => ['at' => 'x']])->save();
        $back = (string) $this->post($path, ['decision' => 'approve'])->headers->get('Location');
        $this->get((string) parse_url($back, PHP_URL_PATH))->assertStatus(303);

        self::assertSame(['First Season'], ProductAccess::query()->get()->map(fn (ProductAccess $a): string => $a->product()->name)->all());
    }

    public function test_what_the_owner_tries_counts_nowhere(): void
    {
        $this->changeOffer('Regular price', ['places' => 1]);
        $this->publish();
        $this->withCookie('lantern_owner', '1');
        $this->buy()->assertStatus(303);

        self::assertTrue($this->lastOrder()->owner);
        self::assertSame(0, DB::table('counts')->where('measure', 'sales')->count());
        self::assertSame(0, Message::query()->where('kind', 'sale-notice')->count());
        self::assertSame([], $this->actingAs($this->seller)->getJson("/studio/api/funnels/{$this->funnel->id}/sales")->json('sums'));
        $this->asStranger()->buy(['email' => 'ben@pupils.example'])->assertStatus(303);
        self::assertFalse($this->lastOrder()->owner, 'and takes nobody’s place');
    }

    public function test_a_provider_that_says_another_amount_is_not_believed(): void
    {
        $this->buy(['method' => self::card(Behaviour::LosesAnswer)]);
        DB::connection('practice')->table('charges')->update(['amount' => 1]);
        app(Reconciling::class)->run(0);
        app(Reconciling::class)->run(0);

        self::assertSame(OrderState::Open, $this->lastOrder()->state);
        self::assertSame(1, DB::table('order_facts')->where('type', 'noted')->count());
    }

    public function test_a_page_reads_the_price_of_its_offer_everywhere(): void
    {
        $id = $this->offerId('Regular price');
        $page = $this->part('Sales page', 'page');
        $page->forceFill(['definition' => json_decode(str_replace('You have tried it on your own', "It is {{price_{$id}}}",
            (string) json_encode($page->definition)), true)])->save();
        $this->publish();
        $html = (string) $this->get('/'.$this->funnel->address)->assertOk()->getContent();

        self::assertStringContainsString('It is €190', $html);
        self::assertStringContainsString('<strong>€190</strong>', $html);
        self::assertSame(Money::of(19_000, Currency::of('EUR'))->words(), '€190');
    }

    public function test_a_payment_that_was_given_up_and_went_through_after_all_is_paid_back_when_the_order_was_paid_again(): void
    {
        $typed = $this->checkout();
        $this->post($this->url(PageRole::Checkout), $typed + [])->assertStatus(303);
        $order = $this->lastOrder();
        // As if it had been given up, and tried again: the provider then says that both went through.
        $first = $order->payments[0];
        $again = $first->replicate()->forceFill(['key' => PaymentKey::fresh(), 'try' => 2, 'state' => 'asked']);
        $again->save();
        app(Payments::class)->ask($again->load(['order.funnel.business', 'order.lines']));
        self::assertSame(38_000, self::ledger());
        app(Reconciling::class)->run(0);
        $order->refresh();

        self::assertSame([19_000, 38_000, 19_000], [self::ledger(), $order->paid, $order->refunded]);
        self::assertSame(1, DB::table('events')->where('type', 'bought')->count());
        self::assertSame(1, DB::table('accesses')->count());
        self::assertSame('Paid twice by accident.', Refund::query()->sole()->why);
        $this->runQueue();
        self::assertSame(1, Message::query()->where('subject', 'like', 'Trouble%')->count(), 'the owner is told');
    }

    public function test_a_clock_that_is_set_back_in_between_costs_one_more_press_at_most_and_charges_once(): void
    {
        $this->travelTo('2026-10-25T00:59:00Z');
        $typed = $this->checkout();
        $this->travelTo('2026-10-24T22:10:00Z');
        $first = $this->post($this->url(PageRole::Checkout), $typed);
        if ($first->getStatusCode() === 422) {
            $this->post($this->url(PageRole::Checkout), $this->checkout(['method' => $typed['method']]))->assertStatus(303);
        }
        $this->travelTo('2026-10-24T21:00:00Z');
        $this->artisan('lantern:due');
        self::assertSame([OrderState::Paid, 19_000, 19_000], [$this->lastOrder()->state, $this->lastOrder()->paid, self::ledger()]);
        $this->travelTo('2026-10-25T02:00:00Z');
        $this->artisan('lantern:due');
        $this->artisan('lantern:due');

        self::assertSame([1, 1, 19_000], [Order::query()->count(), Receipt::query()->count(), self::ledger()]);
    }
}
