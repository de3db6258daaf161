<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Drafts\NewFunnel;
use App\Models\Funnel;
use App\Models\Order;
use App\Models\User;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Publishing\Publishing;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Tests\TestCase;

/** A live funnel that sells, and buyers who come by. */
abstract class SalesTestCase extends TestCase
{
    protected User $seller;

    protected Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->seller = $this->owner();
        $this->funnel = app(NewFunnel::class)->fromStarter($this->seller->business, Goal::Sell, 'Selling', 'First Season', null,
            Money::of(19_000, Currency::of('EUR')))->refresh();
        $this->changeOffer('A private hour', ['price' => ['kind' => 'once', 'amount' => 6_000, 'currency' => 'EUR']]);
        $this->changeOffer('The recordings', ['price' => ['kind' => 'once', 'amount' => 2_500, 'currency' => 'EUR']]);
        $this->changeOffer('Introductory price', ['price' => ['kind' => 'once', 'amount' => 15_000, 'currency' => 'EUR']]);
        $this->publish();
    }

    /** @param  array<string, mixed>  $values */
    protected function changeOffer(string $name, array $values): void
    {
        $this->part($name, Offer::kind())->change($values)->save();
    }

    protected function part(string $name, string $kind): \App\Models\DraftPart
    {
        return \App\Models\DraftPart::there($this->funnel->id, $kind)->where('name', $name)->firstOrFail();
    }

    protected function publish(): void
    {
        $this->funnel = Funnel::query()->findOrFail($this->funnel->id);
        app(Publishing::class)->publish($this->funnel, null);
        $this->funnel = Funnel::query()->with(['liveVersion', 'business'])->findOrFail($this->funnel->id);
    }

    protected function plan(): Plan
    {
        return $this->funnel->liveVersion?->plan() ?? throw new \LogicException('It is live.');
    }

    protected function url(PageRole $role): string
    {
        $page = $this->plan()->pageOf($role) ?? throw new \LogicException('There is such a page.');

        return '/'.$this->funnel->address.($page->address === '' ? '' : '/'.$page->address);
    }

    protected function offerId(string $name): string
    {
        return $this->part($name, Offer::kind())->id;
    }

    protected function product(string $name): Product
    {
        foreach ($this->plan()->products as $product) {
            if ($product->name === $name) {
                return $product;
            }
        }

        throw new \LogicException('There is such a product.');
    }

    protected static function card(Behaviour $card = Behaviour::Approves): string
    {
        return app(PracticeBank::class)->keepCard($card);
    }

    /**
     * The checkout as a browser would send it.
     *
     * @param  array<string, mixed>  $typed
     * @return array<string, mixed>
     */
    protected function checkout(array $typed = []): array
    {
        $html = (string) $this->get($this->url(PageRole::Checkout))->assertOk()->getContent();
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $html, $m);

        return $typed + ['email' => 'ada@pupils.example', 'name' => 'Ada Moss', 'method' => self::card()]
            + array_combine($m[1], array_map(html_entity_decode(...), $m[2]));
    }

    /** @param  array<string, mixed>  $typed */
    protected function buy(array $typed = []): TestResponse
    {
        return $this->post($this->url(PageRole::Checkout), $this->checkout($typed));
    }

    protected function lastOrder(): Order
    {
        return Order::query()->with(['lines', 'payments', 'funnel.business', 'person'])->latest('placed_at')->latest('id')->firstOrFail();
    }

    /** Somebody else’s browser. */
    protected function asStranger(): static
    {
        $this->defaultCookies = [];

        return $this;
    }

    /** The browser that placed an order goes on with its cookie. */
    protected function asBuyer(Order $order): static
    {
        $this->withCookie('lantern_order', $order->id);

        return $this;
    }

    /** What the provider's ledger says was charged less what was paid back, in smallest units. */
    protected static function ledger(): int
    {
        return (int) DB::connection('practice')->table('charges')->where('state', 'paid')->sum(DB::raw('amount - refunded'));
    }
}
