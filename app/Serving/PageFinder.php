<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\States;
use App\Guides\GuideReader;
use App\Models\Funnel;
use App\Models\OldAddress;
use App\Models\PublishedPage;
use App\Models\Version;
use App\Records\GuideFacts;
use App\Records\RegistrationLinks;
use App\Support\Place;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Deadlines\ShownState;
use Lantern\Core\Domains\HostRole;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Visits\Openness;
use Lantern\Core\Visits\PageAct;
use Lantern\Core\Visits\PageAnswer;
use Lantern\Core\Visits\PageChoice;
use Lantern\Core\Visits\PageNotice;
use Lantern\Core\Visits\PageRequest;
use Lantern\Core\Visits\SitePage;
use Symfony\Component\HttpFoundation\Response;

/**
 * Finds the page that somebody gets at an address, without a look at a draft or a plan: it loads what {@see PageChoice} asks for, and
 * answers with what that decides.
 */
final readonly class PageFinder
{
    public function __construct(private PublishedPages $pages)
    {
    }

    /** @return LivePage|Response the page, or what to answer instead of it */
    public function find(Request $request, string $funnelAddress, string $pageAddress, PageAct $act = PageAct::Look): LivePage|Response
    {
        $funnel = Funnel::query()->where('address', $funnelAddress)->whereNull('archived_at')->first();
        if ($funnel === null) {
            return self::moved($request, $funnelAddress, $pageAddress);
        }
        $elsewhere = self::elsewhere($request, $funnel, $pageAddress);
        if ($elsewhere !== null) {
            return $elsewhere;
        }
        $now = CarbonImmutable::now();
        $rows = [];
        $asked = $this->row($funnel, fn ($q) => $q->where('address', $pageAddress), $rows);
        $act = $act === PageAct::Look && $request->query('answer') === 'no' ? PageAct::Decline : $act;
        $openness = $funnel->opening()->at($now);
        [$facts, $live] = $openness === Openness::Open ? $this->whileOpen($funnel, $asked, $pageAddress, $request, $act, $now)
            : [$openness === Openness::NotPublished ? new PageRequest($funnel->opening())
                : $this->whileClosed($funnel, $asked, $request, $act, $rows), null];

        return $this->answer(PageChoice::of($facts, $now), $funnel, $request, $rows, $live);
    }

    /** A page is looked at in one place, the others lead there. What is sent from it is taken wherever it was open. */
    private static function elsewhere(Request $request, Funnel $funnel, string $page): ?Response
    {
        $place = Place::here($request);
        if (! $place->shows($funnel->business_id, $funnel->id)) {
            return PlainPage::notHere()->response();
        }
        $home = $funnel->site();
        $there = $place->addressOf($funnel->id, $funnel->address);
        $isHome = $there->place() === $home->place() && ($place->role !== HostRole::Domain
            || '/'.trim($request->path(), '/') === $home->path($page));

        return $isHome || ! $request->isMethodSafe() || $funnel->state === FunnelState::Draft ? null
            : self::lead($request, $home->url($page));
    }

    /** @return array{PageRequest, LivePage|null} */
    private function whileOpen(Funnel $funnel, ?PublishedPage $asked, string $address, Request $request, PageAct $act,
        CarbonImmutable $now): array
    {
        $opening = $funnel->opening();
        if ($asked === null) {
            return [new PageRequest($opening, movedTo: self::newPlace($funnel, $address), act: $act), null];
        }
        $page = $this->pages->fresh($asked);
        $deadlines = PageDeadlines::of($page);
        $identity = $deadlines === null ? null : Arrival::identity($request, $funnel);
        $shown = ShownState::tryFrom(is_string($request->query('deadline')) ? $request->query('deadline') : '');
        $states = match (true) {
            $deadlines === null || $identity === null => null,
            // Owners see their pages as they are, or in the state they choose.
            $identity->owner => DeadlineStates::shown($deadlines->deadlines, $shown ?? ShownState::TwoDays, $now),
            default => States::of($deadlines->deadlines, $identity, $now),
        };

        return [new PageRequest($opening, new SitePage($page->page_id, $page->role, $page->products ?? []),
            products: $page->products === null ? [] : BuyersOnly::productsOf($request), guards: $deadlines?->guards,
            states: $states->states ?? [], unguarded: ($identity->owner ?? false) && $shown === null, act: $act),
            new LivePage($funnel, $page, false, $deadlines, $states, $identity)];
    }

    /** @param  array<string, PublishedPage>  $rows  by page: those that may be the answer */
    private function whileClosed(Funnel $funnel, ?PublishedPage $asked, Request $request, PageAct $act, array &$rows): PageRequest
    {
        $closed = $this->row($funnel, fn ($q) => $q->where('role', PageRole::Closed), $rows);
        $page = fn (?PublishedPage $row): ?SitePage => $row === null ? null
            : new SitePage($row->page_id, $row->role, $row->products ?? [], $act === PageAct::Form ? self::formsOn($row) : []);
        $form = $request->input('form');

        $submission = Visit::submissionOf($request, $funnel);

        return new PageRequest($funnel->opening(), $page($asked), null, $page($closed), $submission?->page_id,
            RegistrationLinks::ofSeat(SiteCookies::read($request, SiteCookie::Registration))?->funnel_id === $funnel->id,
            $asked?->guide !== null
                && GuideReader::of(GuideFacts::fromArray($asked->guide), $submission, Visit::readerOf($request, $funnel)) !== null,
            BuyersOnly::productsOf($request),
            act: $act, form: is_string($form) ? $form : null);
    }

    /** @param  array<string, PublishedPage>  $rows */
    private function answer(PageAnswer $answer, Funnel $funnel, Request $request, array $rows, ?LivePage $live): LivePage|Response
    {
        if ($answer->page !== null && $live !== null) {
            return VariantChoice::of($live, $request);
        }
        if ($answer->page !== null) {
            return new LivePage($funnel, $this->pages->fresh($rows[$answer->page]), $answer->whileClosed);
        }
        if ($answer->movedTo !== null) {
            $to = self::live($funnel)->where('page_id', $answer->movedTo)->value('address');

            return self::lead($request, $funnel->url(is_string($to) ? $to : ''));
        }
        $address = $answer->instead?->page === null ? null : $live?->deadlines?->address($answer->instead->page);
        $url = $answer->instead->url ?? ($address === null ? null : $funnel->url($address));
        if ($url !== null) {
            $query = $answer->instead?->url === null ? (string) $request->getQueryString() : '';

            return new RedirectResponse($url.($query === '' ? '' : "?{$query}"), $request->isMethod('POST') ? 303 : 302,
                ['Cache-Control' => 'private, no-store']);
        }

        return self::said($answer->notice ?? PageNotice::TimeIsUp, $funnel);
    }

    private static function said(PageNotice $notice, Funnel $funnel): Response
    {
        return (match ($notice) {
            PageNotice::NotHere => PlainPage::notHere(),
            PageNotice::NotOpenYet => $funnel->opens_at === null ? PlainPage::closed()
                : PlainPage::notOpenYet($funnel->opens_at, $funnel->business->zone()),
            PageNotice::Closed => PlainPage::closed(),
            PageNotice::ForBuyers => PlainPage::forBuyers($funnel->url()),
            PageNotice::TimeIsUp => PlainPage::timeIsUp($funnel->url()),
        })->response(self::languageOf($funnel), $funnel);
    }

    /** Of what is live; of a draft that is not, its own. */
    private static function languageOf(Funnel $funnel): string
    {
        $entry = $funnel->live_version_id === null ? null : self::live($funnel)->where('address', '')->value('language');

        return is_string($entry) ? $entry : $funnel->language;
    }

    /**
     * @param  callable(\Illuminate\Database\Eloquent\Builder<PublishedPage>): mixed  $where
     * @param  array<string, PublishedPage>  $rows  it is added to them, by page
     */
    private function row(Funnel $funnel, callable $where, array &$rows): ?PublishedPage
    {
        $query = self::live($funnel);
        $where($query);
        $row = $funnel->live_version_id === null ? null : $query->orderBy('id')->first();
        if ($row !== null) {
            $rows[$row->page_id] = $row;
        }

        return $row;
    }

    /** @return \Illuminate\Database\Eloquent\Builder<PublishedPage> */
    private static function live(Funnel $funnel): \Illuminate\Database\Eloquent\Builder
    {
        return PublishedPage::query()->where('version_id', $funnel->live_version_id)->where('variant', '');
    }

    /** @return string|null the page that once stood at an address, if it is still there under another one */
    private static function newPlace(Funnel $funnel, string $address): ?string
    {
        $was = OldAddress::query()->where('funnel_id', $funnel->id)->where('address', $address)->whereNotNull('page_id')
            ->latest('id')->value('page_id');

        return is_string($was) && self::live($funnel)->where('page_id', $was)->exists() ? $was : null;
    }

    /** @return list<string> ids of the forms that stand on a page */
    private static function formsOn(PublishedPage $row): array
    {
        $plan = Version::query()->findOrFail($row->version_id)->plan();
        $forms = array_map(fn (Block $b): string => $b->field('form'),
            $plan->pageAs($row->page_id, $row->variant)?->document->blocksOf(BlockKind::Form) ?? []);

        return array_values(array_filter($forms, fn (string $id): bool => $plan->form($id) !== null));
    }

    /** A funnel's earlier address leads to the one it has today. */
    private static function moved(Request $request, string $address, string $page): Response
    {
        $id = OldAddress::query()->where('address', $address)->whereNull('page_id')->latest('id')->value('funnel_id');
        $funnel = is_string($id) ? Funnel::query()->whereNull('archived_at')->where('state', '!=', FunnelState::Draft)->find($id) : null;

        return $funnel === null || ! Place::here($request)->shows($funnel->business_id, $funnel->id) ? PlainPage::notHere()->response()
            : self::lead($request, $funnel->url($page));
    }

    private static function lead(Request $request, string $url): RedirectResponse
    {
        $query = $request->getQueryString() ?? '';

        // A form that was filled in goes along. A browser that kept the answer would go in circles once a version is rolled back.
        return new RedirectResponse($url.($query === '' ? '' : '?'.$query), $request->isMethod('POST') ? 308 : 301,
            ['Cache-Control' => 'no-cache']);
    }
}
