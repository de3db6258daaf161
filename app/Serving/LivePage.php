<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\Funnel;
use App\Models\OldAddress;
use App\Models\PublishedPage;
use App\Webinars\OwnRegistration;
use App\Webinars\Registrations\Links;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\PageRole;
use Symfony\Component\HttpFoundation\Response;

/** Finds the live page at an address, without a look at a draft or a plan. */
final readonly class LivePage
{
    /** @param  bool  $closed  is this the closed page, shown in place of the one that was asked for? */
    private function __construct(public Funnel $funnel, public PublishedPage $page, public bool $closed = false)
    {
    }

    /** A row that is known to be live. */
    public static function of(Funnel $funnel, PublishedPage $page): self
    {
        return new self($funnel, $page);
    }

    /** @return self|Response the page, or what to answer instead of it */
    public static function at(Request $request, PublishedPages $pages, string $funnelAddress, string $pageAddress): self|Response
    {
        $funnel = Funnel::query()->where('address', $funnelAddress)->whereNull('archived_at')->first();
        if ($funnel === null) {
            return self::moved($request, $funnelAddress, $pageAddress);
        }
        if ($funnel->live_version_id === null || $funnel->state === FunnelState::Draft) {
            return PlainPage::notHere()->response();
        }
        $live = PublishedPage::query()->where('version_id', $funnel->live_version_id);
        $now = CarbonImmutable::now();
        $early = $funnel->opens_at !== null && $now < $funnel->opens_at;
        if ($funnel->state === FunnelState::Closed || $early || ($funnel->closes_at !== null && $now >= $funnel->closes_at)) {
            return self::whileClosed($request, $funnel, $pages, $pageAddress, $early);
        }
        $page = (clone $live)->where('address', $pageAddress)->orderBy('id')->first();
        if ($page !== null) {
            return new self($funnel, $pages->fresh($page));
        }
        $was = OldAddress::query()->where('funnel_id', $funnel->id)->where('address', $pageAddress)->whereNotNull('page_id')
            ->latest('id')->value('page_id');
        $now = is_string($was) ? $live->where('page_id', $was)->value('address') : null;

        return is_string($now) ? self::lead($request, $funnel->url($now)) : PlainPage::notHere()->response();
    }

    /**
     * While a funnel is closed, and before it opens, every address shows its closed page. Whoever has left their address there
     * may see the page that this leads to.
     */
    private static function whileClosed(
        Request $request,
        Funnel $funnel,
        PublishedPages $pages,
        string $address,
        bool $early,
    ): self|Response {
        $live = fn () => PublishedPage::query()->where('version_id', $funnel->live_version_id);
        $closed = $live()->where('role', PageRole::Closed)->orderBy('id')->first();
        if ($closed === null) {
            $kept = self::forSeat($request, $funnel, $address);
            if ($kept !== null) {
                return new self($funnel, $pages->fresh($kept), true);
            }

            return $early && $funnel->opens_at !== null ? PlainPage::notOpenYet($funnel->opens_at, $funnel->business->zone())->response()
                : PlainPage::closed()->response();
        }
        $asked = $live()->where('address', $address)->whereIn('role', [PageRole::ThankYou, PageRole::Confirmation])->first();
        $page = $asked !== null && Visit::submissionOf($request, $funnel)?->page_id === $closed->page_id ? $asked : $closed;

        return new self($funnel, $pages->fresh(self::forSeat($request, $funnel, $address) ?? $page), true);
    }

    /** Whoever has a place in a session keeps it, and their room and replay, when sign-ups are closed. */
    private static function forSeat(Request $request, Funnel $funnel, string $address): ?PublishedPage
    {
        return Links::ofSeat($request->cookie(OwnRegistration::COOKIE))?->funnel_id !== $funnel->id ? null
            : PublishedPage::query()->where('version_id', $funnel->live_version_id)->where('address', $address)
                ->whereIn('role', [PageRole::Room, PageRole::Replay, PageRole::Confirmation])->first();
    }

    /** A funnel's earlier address leads to the one it has today. */
    private static function moved(Request $request, string $address, string $page): Response
    {
        $id = OldAddress::query()->where('address', $address)->whereNull('page_id')->latest('id')->value('funnel_id');
        $funnel = is_string($id) ? Funnel::query()->whereNull('archived_at')->where('state', '!=', FunnelState::Draft)->find($id) : null;

        return $funnel === null ? PlainPage::notHere()->response() : self::lead($request, $funnel->url($page));
    }

    private static function lead(Request $request, string $url): RedirectResponse
    {
        $query = $request->getQueryString() ?? '';

        // A form that was filled in goes along. A browser that kept the answer would go in circles once a version is rolled back.
        return new RedirectResponse($url.($query === '' ? '' : '?'.$query), $request->isMethod('POST') ? 308 : 301,
            ['Cache-Control' => 'no-cache']);
    }
}
