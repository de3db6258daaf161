<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\FormToken;
use App\Models\Order;
use App\Models\Version;
use App\Orders\ExtraOffers;
use App\Orders\ExtraOfferSale;
use App\Orders\NextPage;
use App\Orders\NotForSale;
use App\Orders\PayLinks;
use App\Orders\Payments;
use App\Serving\Arrival;
use App\Serving\LivePage;
use App\Serving\PageResponse;
use App\Serving\PlainPage;
use App\Serving\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Plan\PagePlan;
use Symfony\Component\HttpFoundation\Response;

/** The yes and the no to an extra offer. Only somebody with a fresh order can buy; anybody else is led to the way in. */
final readonly class ExtraOfferController
{
    public function __construct(private ExtraOffers $extra, private Payments $payments, private PageResponse $pages)
    {
    }

    public function accept(Request $request, LivePage $live): Response
    {
        [$version, $page] = self::page($live);
        $order = self::order($request, $live);
        if ($page === null || ! $page->role->isExtraOffer()) {
            return PlainPage::notHere()->response();
        }
        if ($order === null || ! ExtraOfferSale::isFresh($order, CarbonImmutable::now())) {
            return redirect()->away($live->funnel->url(), 303);
        }
        $again = fn (Phrase $why): Response => $this->pages->answer(Arrival::again($live, $request)->with([], ['form' => $why]), 422);
        if (FormToken::read($request->input('token'), $page->id, CarbonImmutable::now()) === null) {
            return $again(Phrase::of('checkout.old_uncharged'));
        }
        try {
            $payment = $this->extra->accept($order, $page, $version);
        } catch (NotForSale $e) {
            return $e->availability === null ? $again($e->why)
                : redirect()->away(NextPage::after($order, $page->id, Outcome::Bought), 303);
        }
        if ($payment !== null) {
            $this->payments->ask($payment);
            $payment->refresh();
        }
        if ($payment?->state === PaymentState::Failed) {
            return $again(Phrase::of('offer.order_stands',
                ['why' => $payment->trouble?->phrase() ?? Phrase::of('card.failed')]));
        }

        return redirect()->away(match ($payment?->state) {
            null, PaymentState::Paid => NextPage::after($order->refresh(), $page->id, Outcome::Bought),
            PaymentState::Bank => (string) $payment->bank_url,
            default => PayLinks::waiting($order),
        }, 303);
    }

    public function decline(Request $request, LivePage $live): Response
    {
        [$version, $page] = self::page($live);
        $order = self::order($request, $live);
        if ($page === null || $order === null || ! $page->role->isExtraOffer()) {
            return redirect()->away($live->funnel->url(), 303);
        }
        if (ExtraOfferSale::isFresh($order, CarbonImmutable::now())) {
            $this->extra->decline($order, $page, $version);
        }

        return redirect()->away(NextPage::after($order, $page->id, Outcome::Declined), 303);
    }

    /** @return array{Version, PagePlan|null} */
    private static function page(LivePage $live): array
    {
        $version = Version::query()->findOrFail($live->page->version_id);

        return [$version, $version->plan()->pageAs($live->page->page_id, $live->page->variant)];
    }

    private static function order(Request $request, LivePage $live): ?Order
    {
        return Visit::orderOf($request, $live->funnel);
    }
}
