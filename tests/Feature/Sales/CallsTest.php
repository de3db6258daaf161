<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Models\Order;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticePayments;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Orders\OrderState;

/** The calls of the provider: late, twice, out of order, forged; and the fields for a card. */
final class CallsTest extends SalesTestCase
{
    /** @param  array<string, mixed>  $call */
    private function tell(array $call, ?string $signature = null): TestResponse
    {
        $body = (string) json_encode($call);
        $at = now()->getTimestamp();

        return $this->call('POST', '/pay/calls/practice', [], [], [], ['CONTENT_TYPE' => 'application/json',
            'HTTP_PRACTICE_SIGNATURE' => $signature ?? "{$at}.".PracticePayments::seal($body, $at)], $body);
    }

    public function test_what_is_told_only_later_is_settled_by_the_call(): void
    {
        $wait = (string) $this->buy(['method' => self::card(Behaviour::TellsLater)])->assertStatus(303)->headers->get('Location');
        $this->get((string) parse_url($wait, PHP_URL_PATH))->assertOk()->assertSee('your payment is on its way');
        self::assertSame(OrderState::Open, $this->lastOrder()->state);
        $this->travel(11)->seconds();
        $this->artisan('lantern:due');

        self::assertSame([OrderState::Paid, 19_000], [$this->lastOrder()->state, self::ledger()]);
        self::assertSame([202], DB::connection('practice')->table('calls')->pluck('status')->all());
    }

    public function test_calls_twice_out_of_order_and_forged_change_nothing(): void
    {
        $this->buy(['method' => self::card(Behaviour::NoisyCalls)])->assertStatus(303);
        $this->artisan('lantern:due');
        $this->artisan('lantern:due');

        self::assertSame([202, 202, 202, 400], DB::connection('practice')->table('calls')->orderBy('id')->pluck('status')->all());
        self::assertSame(2, DB::table('provider_calls')->count());
        self::assertSame([OrderState::Paid, 0, 1], [$this->lastOrder()->state, $this->lastOrder()->refunded,
            DB::table('order_facts')->where('type', 'paid')->count()]);
    }

    public function test_a_call_that_is_not_theirs_is_refused(): void
    {
        $this->buy(['method' => self::card(Behaviour::AsksBank)]);
        $key = (string) $this->lastOrder()->payments[0]->key;
        $call = ['id' => 'call_1', 'type' => 'paid', 'key' => $key];
        $old = now()->subMinutes(6)->getTimestamp();
        foreach (['', 'x', 'x.y', '1.'.str_repeat('0', 64),
            $old.'.'.PracticePayments::seal((string) json_encode($call), $old)] as $signature) {
            $this->tell($call, $signature)->assertStatus(400);
        }
        $this->post('/pay/calls/somebody-else', $call)->assertStatus(400);
        foreach ([['id' => 'call_2', 'key' => 'ul_unknown'], ['id' => 'call_2', 'key' => 'ul_unknown']] as $unknown) {
            $this->tell($unknown)->assertStatus(202)->assertJsonPath('message', 'There is no such payment.');
        }
        foreach ([[], ['id' => ['x'], 'key' => $key], 'paid', ['id' => 'x', 'key' => 7]] as $wrong) {
            $this->tell((array) $wrong)->assertStatus(400);
        }
        // Signed, and not true: what is so is asked of the provider.
        $this->tell($call)->assertStatus(202);

        self::assertSame(OrderState::Waiting, $this->lastOrder()->state);
    }

    public function test_a_call_replayed_is_harmless(): void
    {
        $this->buy();
        $call = ['id' => 'call_1', 'type' => 'paid', 'key' => (string) $this->lastOrder()->payments[0]->key];
        $this->tell($call)->assertStatus(202);
        $this->tell($call)->assertStatus(202);

        self::assertSame([1, 19_000], [Order::query()->sole()->number, $this->lastOrder()->paid]);
    }

    public function test_the_card_fields_take_practice_cards_alone_and_keep_no_number(): void
    {
        $this->get('/pay/practice/card')->assertOk()->assertHeader('x-frame-options', 'SAMEORIGIN');
        $card = ['number' => '9000 0000 0000 0001', 'until' => '08/31', 'code' => '123'];
        preg_match('/data-method="([a-z0-9]{32})"/', (string) $this->post('/pay/practice/card', $card)->assertOk()->getContent(), $m);
        self::assertSame('0001', DB::connection('practice')->table('cards')->where('token', $m[1] ?? '')->value('ends'));
        foreach ([['number' => '4111 1111 1111 1111'], ['number' => ''], ['number' => ['x']], ['until' => '13/31'], ['until' => ''],
            ['code' => '12a'], ['code' => '1234567890']] as $wrong) {
            $this->post('/pay/practice/card', $wrong + $card)->assertOk()->assertSee('data-method=""', false)
                ->assertSee('aria-invalid', false);
        }
        self::assertSame(1, DB::connection('practice')->table('cards')->count());
    }
}
