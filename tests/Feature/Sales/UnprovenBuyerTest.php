<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Models\Message;
use App\Models\Order;
use App\Models\Person;
use App\Orders\PayLinks;
use App\Orders\Receipts;
use App\Payments\Practice\Behaviour;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Offers\Product;
use Lantern\Core\Plan\PageRole;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** A stranger buys with a customer's address. The order is theirs as far as it goes; the customer is no part of it before they come. */
final class UnprovenBuyerTest extends SalesTestCase
{
    private Order $first;

    protected function setUp(): void
    {
        parent::setUp();
        $this->changeOffer('Regular price', ['oncePerPerson' => false, 'price' => ['kind' => 'payments', 'amount' => 6_400,
            'currency' => 'EUR', 'payments' => 3]]);
        $this->part('A private hour', Product::kind())->change(['tags' => ['Bought the hour']])->save();
        $this->publish();
        // Ada is a customer: a plan that is being paid, with a card of her own.
        $this->buy(['email' => 'ada@pupils.example', 'name' => 'Ada Moss'])->assertRedirect();
        $this->first = $this->lastOrder();
        $this->issueReceipts();
    }

    private function issueReceipts(): void
    {
        $this->travel(40)->minutes();
        app(Receipts::class)->issueDue();
        $this->runQueue();
    }

    private function ada(): Person
    {
        return Person::query()->where('email_key', 'ada@pupils.example')->sole();
    }

    /** A stranger who types Ada's address. */
    private function strangerBuys(array $typed = []): Order
    {
        $this->asStranger()->buy(['email' => 'ADA@pupils.example', 'name' => 'Mallory',
            'method' => self::card(Behaviour::Approves)] + $typed)
            ->assertRedirect();
        $order = $this->lastOrder();
        self::assertNotSame($this->first->id, $order->id);

        return $order;
    }

    /** Everything that a browser which bought can open, by following each link and form it is shown. */
    private function everythingShownTo(Order $order, string $from): string
    {
        $this->asBuyer($order);
        $seen = $queue = [$from];
        $all = '';
        while ($queue !== [] && count($seen) < 60) {
            $answer = $this->get(array_shift($queue));
            $all .= $answer->headers->get('Location')."\n".($answer->baseResponse instanceof BinaryFileResponse
                ? '' : $answer->baseResponse->getContent());
            preg_match_all('~(?:href|action|Location)="?(?:http://localhost)?(/(?:my|pay|first)[^"\s]*)~', $all, $m);
            foreach (array_unique(array_map(html_entity_decode(...), $m[1])) as $next) {
                if (! in_array($next, $seen, true) && ! str_contains($next, '/build/')) {
                    $seen[] = $queue[] = $next;
                }
            }
        }

        return $all;
    }

    public function test_a_stranger_sees_their_order_and_nothing_of_the_customer(): void
    {
        $stranger = $this->strangerBuys();
        $all = $this->everythingShownTo($stranger, $this->url(PageRole::Delivery))
            .$this->everythingShownTo($stranger, PayLinks::order($stranger))
            .$this->everythingShownTo($stranger, PayLinks::waiting($stranger));

        self::assertStringContainsString('Order '.$stranger->number, $all);
        foreach (["Order {$this->first->number}<", "/my/{$this->ada()->id}/", 'Ada Moss', 'My purchases', (string) $this->first->id,
            'Use another card'] as $hers) {
            self::assertStringNotContainsString($hers, $all, $hers);
        }
    }

    public function test_a_stranger_is_led_on_as_if_the_customer_had_nothing(): void
    {
        config(['lantern.checkout.fresh_minutes' => 600]);
        $this->asBuyer($this->first)->post($this->url(PageRole::Upsell), ['extra' => 'yes', 'token' => $this->extraToken($this->first)]);
        self::assertSame(2, $this->first->lines()->count());
        $way = fn (string $email): string => (string) $this->asStranger()->buy(['email' => $email])->headers->get('Location');

        self::assertSame($way('nobody@pupils.example'), $way('ada@pupils.example'));
    }

    public function test_nothing_of_the_customer_changes_until_she_comes_by_the_link_of_the_receipt(): void
    {
        $this->product('First Season');
        $before = [(array) DB::table('people')->where('id', $this->ada()->id)->first(), DB::table('person_tag')->count(),
            DB::table('enrolments')->get()->all(), DB::table('visitor_person')->get()->all()];
        $stranger = $this->strangerBuys(['bump' => [$this->offerId('The recordings')]]);
        $this->asBuyer($stranger)->post($this->url(PageRole::Upsell), ['extra' => 'yes', 'token' => $this->extraToken($stranger)]);

        self::assertNull($stranger->refresh()->joined_at);
        self::assertSame([$before[0], $before[1]], [(array) DB::table('people')->where('id', $this->ada()->id)->first(),
            DB::table('person_tag')->count()]);
        self::assertEquals([$before[2], $before[3]], [DB::table('enrolments')->get()->all(), DB::table('visitor_person')->get()->all()]);
        self::assertSame(0, DB::table('events')->where('person_id', $this->ada()->id)->where('data', 'like', "%{$stranger->id}%")->count());
        self::assertSame(3, DB::table('accesses')->where('order_id', $stranger->id)->count(), 'what was bought is given');

        // The receipt goes to Ada. Its link is the proof, and what was left follows: once.
        $this->issueReceipts();
        $receipt = Message::query()->where('kind', 'receipt')->where('to_address', 'ADA@pupils.example')->sole();
        preg_match('~href="(http://localhost/my/[0-9a-z]{26}/[0-9a-f]+)"~', (string) $receipt->html, $m);
        // Neither the owner who looks at it nor a program that looks links over is the customer.
        $this->actingAs($this->seller);
        $look = (string) $this->getJson("/studio/api/orders/{$stranger->id}")->assertJsonPath('joined', false)->json('purchases');
        $this->asStranger()->get($look)->assertOk()->assertSee("Order {$this->first->number}");
        $this->post($look, ['order' => $this->first->id, 'method' => self::card()])->assertNotFound();
        $this->withHeader('User-Agent', 'SomeMailScanner/1.0 (bot)')->get($m[1])->assertOk();
        self::assertNull($stranger->refresh()->joined_at);
        $this->withHeader('User-Agent', self::CHROME);
        $page = fn (): TestResponse => $this->asStranger()->get($m[1]);
        $page()->assertOk()->assertSee("Order {$stranger->number}")->assertSee("Order {$this->first->number}");
        self::assertNotNull($stranger->refresh()->joined_at);
        self::assertContains('Bought the hour', $this->ada()->tags->pluck('name')->all());
        self::assertSame(2, DB::table('events')->where('type', 'bought')->where('person_id', $this->ada()->id)
            ->where('data', 'like', "%{$stranger->id}%")->count());
        $after = [DB::table('messages')->count(), DB::table('person_tag')->count(), DB::table('order_facts')->count()];
        $page()->assertOk();
        self::assertSame($after, [DB::table('messages')->count(), DB::table('person_tag')->count(), DB::table('order_facts')->count()]);
        self::assertSame('Ada', $this->ada()->first_name);
    }

    private function extraToken(Order $order): string
    {
        preg_match('/name="extra" value="yes"><input type="hidden" name="token" value="([^"]+)"/',
            (string) $this->asBuyer($order)->get($this->url(PageRole::Upsell))->getContent(), $m);

        return html_entity_decode($m[1]);
    }

    public function test_the_card_of_a_plan_is_exchanged_by_the_link_of_the_receipt_alone(): void
    {
        $stranger = $this->strangerBuys();
        $method = $this->first->refresh()->method;
        foreach (['order', 'wait', 'back', 'open', 'receipt', 'my'] as $of) {
            $seal = PayLinks::seal("{$of}|{$stranger->id}");
            $this->asBuyer($stranger)->post("/my/{$this->ada()->id}/{$seal}", ['order' => $this->first->id, 'method' => self::card()])
                ->assertNotFound();
        }
        self::assertSame($method, $this->first->refresh()->method);
        $this->asStranger()->post(PayLinks::purchases($this->ada()), ['order' => $this->first->id, 'method' => self::card()])->assertOk();
        self::assertNotSame($method, $this->first->refresh()->method);
    }

    public function test_whoever_came_by_a_link_in_an_email_and_whoever_is_new_are_their_orders_person_at_once(): void
    {
        self::assertNotNull($this->first->joined_at, 'nothing was known of her before');
        $this->asStranger()->withCookie('lantern_reader', $this->ada()->id)->buy(['email' => 'ada@pupils.example'])->assertRedirect();
        self::assertNotNull($this->lastOrder()->joined_at);
        $this->asStranger()->withCookie('lantern_reader', $this->ada()->id)->buy(['email' => 'grace@pupils.example'])->assertRedirect();
        $grace = $this->lastOrder();
        $this->asStranger()->withCookie('lantern_reader', $this->ada()->id)->buy(['email' => 'grace@pupils.example'])->assertRedirect();
        self::assertSame([true, false], [$grace->joined_at !== null, $this->lastOrder()->joined_at !== null], 'Ada is not Grace');
    }

    public function test_once_for_each_person_means_once_for_each_mailbox(): void
    {
        $this->changeOffer('Regular price', ['oncePerPerson' => true]);
        $this->publish();
        $sent = fn (string $email): TestResponse => $this->asStranger()->buy(['email' => $email]);
        $sent('ada+again@pupils.example')->assertStatus(409);
        $sent('Ada@Pupils.example')->assertStatus(409);
        $sent('a.da@pupils.example')->assertRedirect();
        $sent('+ada@pupils.example')->assertRedirect();
        self::assertSame(['+ada@pupils.example', 'a.da@pupils.example', 'ada@pupils.example'],
            Person::query()->orderBy('email')->pluck('email')->all());
        self::assertSame([], Person::query()->where('mailbox', '')->pluck('email')->all());
    }

    public function test_whoever_got_their_money_back_takes_no_extra_offer(): void
    {
        $this->changeOffer('Regular price', ['price' => ['kind' => 'once', 'amount' => 6_400, 'currency' => 'EUR']]);
        $this->publish();
        foreach (['refunded', 'disputed'] as $state) {
            $this->asStranger()->buy(['email' => "{$state}@pupils.example"]);
            $order = $this->lastOrder();
            $token = $this->extraToken($order);
            DB::table('orders')->where('id', $order->id)->update(['state' => $state]);
            $charged = DB::connection('practice')->table('charges')->count();
            $this->asBuyer($order)->post($this->url(PageRole::Upsell), ['extra' => 'yes', 'token' => $token])->assertRedirect();
            self::assertSame($charged, DB::connection('practice')->table('charges')->count(), $state);
            self::assertSame(1, $order->lines()->count());
            $this->asBuyer($order)->get($this->url(PageRole::Upsell))->assertDontSee('name="extra"', false);
        }
    }
}
