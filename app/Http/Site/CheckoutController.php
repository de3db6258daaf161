<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\FormToken;
use App\Languages\SiteLanguage;
use App\Models\Order;
use App\Models\Version;
use App\Orders\Attempt;
use App\Orders\Checkout;
use App\Orders\NextPage;
use App\Orders\NotForSale;
use App\Orders\PayLinks;
use App\Orders\Payments;
use App\Orders\PlaceOrder;
use App\Serving\Arrival;
use App\Serving\Browser;
use App\Serving\LivePage;
use App\Serving\PageResponse;
use App\Serving\PlainPage;
use App\Serving\Slots\CheckoutSlot;
use App\Serving\Source;
use App\Serving\Visit;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Results\Touch;
use Symfony\Component\HttpFoundation\Response;

/** Takes a filled-in checkout: reckons it up when it is asked to, and else places the order, has it paid, and leads its buyer on. */
final readonly class CheckoutController
{
    public function __construct(
        private PageResponse $pages,
        private PlaceOrder $place,
        private Payments $payments,
        private CheckoutSlot $slot,
        private SiteLanguage $language,
    ) {
    }

    public function __invoke(Request $request, LivePage $live): Response
    {
        $version = Version::query()->findOrFail($live->page->version_id);
        $page = $version->plan()->pageAs($live->page->page_id, $live->page->variant);
        $offer = $page === null ? null : $version->plan()->offerOn($page);
        if ($page === null || $offer === null) {
            return PlainPage::notHere()->response();
        }
        $voice = $this->language->is($live->page->language, null, OwnPhrases::of($live->page->phrases));
        $limit = 'payments:'.$request->ip();
        if (RateLimiter::tooManyAttempts($limit, (int) config('lantern.checkout.per_address'))
            || RateLimiter::tooManyAttempts("codes:{$request->ip()}", (int) config('lantern.checkout.wrong_codes'))) {
            return PlainPage::tooManyPayments()->response();
        }
        $now = CarbonImmutable::now();
        $read = Checkout::read($version->plan(), $offer, $live->funnel->business, $request->request->all(), $now,
            Visit::readerOf($request, $live->funnel)?->person);
        if ($read->wrongCode) {
            RateLimiter::hit("codes:{$request->ip()}", 600);
        }
        $arrived = Arrival::again($live, $request);
        $visit = fn (array $errors): Visit => $arrived->with(Source::typed($request->request->all()), $errors, $read->quote);
        $again = fn (array $errors): Response => $this->pages->answer($visit($errors), 422);
        if ($request->input('check') !== null) {
            // Only the sum was asked for: nobody has to have said yet who they are.
            $errors = array_diff_key($read->errors, ['email' => 0, 'name' => 0]);

            return $request->expectsJson()
                ? response()->json(['errors' => array_map($voice->say(...), $errors)] + $this->slot->sums($read->quote, $voice))
                : $this->pages->answer($visit($errors), $errors === [] ? 200 : 422);
        }
        $token = FormToken::read($request->input('token'), $page->id, CarbonImmutable::now());
        if ($token === null) {
            return $again(['form' => Phrase::of('form.old')] + $read->errors);
        }
        $method = Payments::method($request->input('method'));
        if ($read->quote?->dueNow()->isPositive() && $method === null) {
            $read->errors['card'] = Phrase::of('checkout.no_card');
        }
        if ($read->errors !== [] || $read->quote === null || $read->email === null || $request->input('website', '') !== '') {
            return $again($read->errors === [] ? ['form' => Phrase::of('checkout.look_again')] : $read->errors);
        }
        RateLimiter::hit($limit, 600);
        try {
            $order = $this->place->place($this->attempt($request, $live, $version, $page, $read, $token->nonce, $method, $now));
        } catch (NotForSale $e) {
            return $e->availability !== null ? PlainPage::notForSale($e->availability, $arrived->afterwards() ?? $live->funnel->url())
                ->response()
                : $again([$e->field === '' ? 'form' : $e->field => $e->why]);
        }

        return $this->onward($order, $offer, $page, $again);
    }

    private function attempt(
        Request $request,
        LivePage $live,
        Version $version,
        PagePlan $page,
        Checkout $read,
        string $nonce,
        ?string $method,
        CarbonImmutable $now,
    ): Attempt {
        assert($read->quote !== null && $read->email !== null);
        $source = Source::read($request->input('source'));
        $marketing = $page->document->blocksOf(\Lantern\Core\Page\Block\BlockKind::Checkout)[0]->field('marketing') === '' ? null
            : $request->input('marketing') === 'yes';

        return new Attempt($live->funnel, $version, $page, $read->quote, $read->email, $read->name, $nonce, $now, $method, $read->coupon,
            $read->coupon === null ? '' : $read->code, $marketing,
            Browser::id($request) ?? str_replace('-', '', (string) Str::uuid()), Browser::zone($request->input('zone')),
            Touch::of($source) ?: null, $request->ip(), Browser::isOwner($request),
            $read->shownAt(), Visit::readerOf($request, $live->funnel));
    }

    /** @param  callable(array<string, Phrase>): Response  $again */
    private function onward(Order $order, Offer $offer, PagePlan $page, callable $again): Response
    {
        $order->loadMissing('payments');
        $open = $order->payments->last();
        if ($open !== null && $open->state === PaymentState::Asked) {
            $open->setRelation('order', $order->load(['funnel.business', 'lines']));
            $this->payments->ask($open);
        }
        $order = Order::query()->with(['funnel.business', 'version', 'person', 'payments'])->findOrFail($order->id);
        $last = $order->payments->last();
        if (! $order->state->isBought() && $last?->state === PaymentState::Failed) {
            return $again(['card' => $last->trouble?->phrase() ?? Phrase::of('card.failed_uncharged')]);
        }
        $to = match (true) {
            $order->state->isBought() => NextPage::after($order, $page->id, Outcome::Bought),
            $last?->state === PaymentState::Bank => (string) $last->bank_url,
            default => PayLinks::waiting($order),
        };

        return self::withOrder(redirect()->away($to, 303), $order);
    }

    /** Whoever has placed an order in this browser may take extra offers with it, and see what it holds. */
    public static function withOrder(\Illuminate\Http\RedirectResponse $response, Order $order): \Illuminate\Http\RedirectResponse
    {
        return $response->withCookie(SiteCookies::give(SiteCookie::Order, $order->id))
            ->withCookie(SiteCookies::give(SiteCookie::Visitor, (string) $order->visitor));
    }
}
