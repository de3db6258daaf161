<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Models\Payment;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Orders\PayLinks;
use App\Orders\ReceiptPaper;
use App\Payments\Practice\Behaviour;
use Illuminate\Support\Facades\View;
use Lantern\Core\Orders\AccessState;
use Lantern\Core\Plan\PageRole;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\Feature\Sales\SalesTestCase;
use Tests\MadeUp;

/** All that a buyer is told, from the price to the payment that failed, is said in the language of the funnel. */
final class MadeUpSalesTest extends SalesTestCase
{
    use HearsMadeUp;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2027-01-31T12:00:00Z');
    }

    public function test_from_the_price_to_the_receipt(): void
    {
        $this->funnel = $this->inGreek($this->funnel);
        foreach ($this->plan()->pages as $page) {
            $this->get("/{$this->funnel->address}/{$page->address}");
        }
        $form = $this->checkout();
        $url = $this->url(PageRole::Checkout);
        $this->post($url, []);
        $this->post($url, ['email' => 'x', 'name' => str_repeat('a', 400), 'method' => ''] + $form)->assertStatus(422);
        $this->post($url, ['coupon' => 'NOTHING', 'code' => 'NOTHING', 'do' => 'update'] + $form);
        $this->post($url, ['method' => 'gone'] + $form);
        foreach ([Behaviour::Declines, Behaviour::NoFunds, Behaviour::Expired, Behaviour::Slow, Behaviour::TellsLater] as $card) {
            $answer = $this->buy(['method' => self::card($card), 'email' => "{$card->value}@pupils.example"]);
            $this->follow($answer->headers->get('Location'));
        }
        $answer = $this->buy(['method' => self::card(Behaviour::AsksBank), 'email' => 'bank@pupils.example']);
        $back = $this->follow($answer->headers->get('Location'));
        $this->follow($back);
        $bank = (string) Payment::query()->whereNotNull('bank_url')->latest('id')->value('bank_url');
        $this->get($this->local($bank))->assertOk();
        $this->follow($this->post($this->local($bank), ['answer' => 'no'])->headers->get('Location'));
        $this->get($this->local($bank));
        $this->get('/pay/practice/bank/nothing/'.str_repeat('0', 20));
        $this->get('/pay/practice/card?language='.MadeUp::TAG)->assertOk();
        $this->post('/pay/practice/card', ['language' => MadeUp::TAG, 'number' => '1', 'until' => 'x', 'code' => 'x']);

        $this->buy(['name' => 'Αδα', 'bump' => array_map(fn ($o): string => $o->id, $this->plan()->offers)]);
        $order = $this->lastOrder();
        $this->asBuyer($order);
        foreach ([PageRole::Upsell, PageRole::Downsell, PageRole::Delivery] as $role) {
            $this->get($this->url($role));
        }
        $this->get($this->url(PageRole::Upsell).'?answer=no');
        $this->get($this->url(PageRole::Downsell));
        $this->post($this->url(PageRole::Upsell), ['extra' => 'yes', 'token' => 'x']);
        $this->travel(31)->minutes();
        $this->artisan('lantern:due');
        $this->runQueue();
        $my = (string) parse_url(PayLinks::purchases($order->refresh()->person ?? self::fail('Nobody bought it.')), PHP_URL_PATH);
        $this->get($my)->assertOk();
        $this->post($my, ['method' => 'gone']);
        $this->get('/pay/order/'.basename(dirname((string) parse_url(PayLinks::order($order), PHP_URL_PATH))).'/'
            .basename((string) parse_url(PayLinks::order($order), PHP_URL_PATH)));
        $this->papers();
        $this->buy();
        $this->asStranger()->get($this->url(PageRole::Delivery));
        $this->get('/my/open/nothing/'.str_repeat('0', 20));
        $this->assertNothingElseWasSaid();
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function test_payments_that_fail_and_money_that_goes_back(bool $ofFunnel): void
    {
        $this->ofFunnel = $ofFunnel;
        $this->changeOffer('Regular price', ['price' => ['kind' => 'payments', 'amount' => 9_900, 'currency' => 'EUR', 'payments' => 3,
            'every' => 'month']]);
        $this->funnel = $this->inGreek($this->funnel);
        $this->get($this->url(PageRole::Checkout))->assertOk();
        $this->buy(['name' => 'Αδα', 'method' => self::card(Behaviour::RefusesLater)])->assertStatus(303);
        $this->travel(31)->minutes();
        $order = $this->lastOrder();
        foreach (['2027-02-28T12:00:01Z', '2027-03-01T12:00:02Z', '2027-03-03T12:00:02Z', '2027-03-07T12:00:02Z'] as $at) {
            $this->travelTo($at);
            $this->artisan('lantern:due');
            $this->artisan('lantern:due');
            $this->runQueue();
            $this->get((string) parse_url(PayLinks::purchases($order->refresh()->person ?? self::fail('Nobody.')),
                PHP_URL_PATH))->assertOk();
        }
        // What is paused opens nothing, and says so in the words of the funnel it was bought in; likewise what has ended.
        $access = ProductAccess::query()->where('person_id', $order->person_id)->firstOrFail();
        foreach ([AccessState::Paused, AccessState::Ended] as $state) {
            $access->forceFill(['state' => $state])->save();
            $this->get("/my/open/{$access->id}/".PayLinks::seal("open|{$access->id}"))->assertForbidden();
        }
        $open = (string) parse_url(PayLinks::purchases($order->person ?? self::fail('Nobody.')), PHP_URL_PATH);
        $this->post($open, ['method' => self::card()]);
        $this->get($open);
        $this->actingAs($this->seller)->postJson("/studio/api/orders/{$order->id}/refund", ['amount' => '10.00', 'why' => 'μ']);
        $this->artisan('lantern:due');
        $this->runQueue();
        $this->get($open);
        $this->papers();
        $this->assertNothingElseWasSaid();
    }

    private function papers(): void
    {
        self::assertGreaterThan(0, Receipt::query()->count());
        foreach (Receipt::query()->with('order.funnel.business')->get() as $receipt) {
            $paper = new ReceiptPaper($receipt);
            $this->hear('receipt', MadeUp::foundInHtml(View::make('pay.receipt', ['paper' => $paper, 'say' => $paper->voice()])->render()));
        }
    }

    /** Looks at where an answer leads to; @return string|null where that leads */
    private function follow(?string $to): ?string
    {
        return $to === null || $to === '' ? null : $this->get($this->local($to))->headers->get('Location');
    }

    private function local(string $url): string
    {
        return parse_url($url, PHP_URL_PATH).(parse_url($url, PHP_URL_QUERY) === null ? '' : '?'.parse_url($url, PHP_URL_QUERY));
    }
}
