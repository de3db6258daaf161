<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\States;
use App\Deadlines\VisitorIdentity;
use App\Experiments\Exposures;
use App\Journey\PageViews;
use App\Journey\Stranger;
use App\Models\Funnel;
use App\Models\Person;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Results\Device;
use Lantern\Core\Visits\Seeing;
use Symfony\Component\HttpFoundation\Response;

/**
 * Somebody comes to a page. Where a deadline begins by seeing it, the view is recorded before the page is drawn, so that it shows what
 * follows; otherwise its script reports the view.
 */
final readonly class Arrival
{
    public function __construct(private PageViews $views, private WrittenDown $written)
    {
    }

    public function at(LivePage $live, Request $request): Visit
    {
        $now = CarbonImmutable::now();
        if ($live->deadlines === null || $live->states === null || $live->identity === null || ! $this->begins($live, $request, $now)) {
            return self::visit($live, $request);
        }
        $identity = $live->identity->in($live->identity->visitor ?? $live->newVisitor ?? str_replace('-', '', (string) Str::uuid()));
        $this->written->take((string) $identity->visitor, $now);
        $this->views->see($live->funnel, $live->page->version_id, $live->page->page_id, $identity->people[0] ?? null,
            new Stranger((string) $identity->visitor, $identity->ip, $identity->zone),
            Source::touch((string) $request->getQueryString(), $request->headers->get('Referer')), $now, Device::of($request->userAgent()),
            Exposures::confirmed($live->page->page_id, $live->page->variant ?: ($live->page->split_test === null ? null
                : SplitTest::ORIGINAL),
                (string) $identity->visitor, $identity->people[0] ?? null));

        return self::visit(new LivePage($live->funnel, $live->page, $live->closed, $live->deadlines,
            States::of($live->deadlines->deadlines, $identity, $now), $identity, $live->newVisitor), $request, true);
    }

    /** The page for somebody who has sent something from it: shown again, whatever has run out meanwhile. */
    public static function again(LivePage $live, Request $request): Visit
    {
        $deadlines = $live->deadlines ?? PageDeadlines::of($live->page);
        $identity = $deadlines === null ? null : $live->identity ?? self::identity($request, $live->funnel);

        return self::visit(new LivePage($live->funnel, $live->page, $live->closed, $deadlines, $live->states
            ?? ($deadlines === null || $identity === null ? null : States::of($deadlines->deadlines, $identity, CarbonImmutable::now())),
            $identity), $request);
    }

    private static function visit(LivePage $live, Request $request, bool $seen = false): Visit
    {
        return new Visit($live->funnel, $live->page, $request, deadlines: $live->deadlines, states: $live->states,
            identity: $live->identity, seen: $seen, newVisitor: $live->newVisitor);
    }

    /** Who a request comes from. A person is known by their browser, an email's link, a form or an order; in this order. */
    public static function identity(Request $request, Funnel $funnel): VisitorIdentity
    {
        $visitor = Browser::id($request);
        $person = VisitorIdentity::personOf($visitor) ?? Visit::readerOf($request, $funnel)?->person->id
            ?? Visit::submissionOf($request, $funnel)->person_id ?? Visit::orderOf($request, $funnel)?->person_id;
        $zone = $person === null ? null : Person::query()->whereKey($person)->value('timezone');

        return new VisitorIdentity($person === null ? [] : VisitorIdentity::ofMailboxes([$person]), $visitor, (string) $request->ip(),
            self::zone($zone) ?? self::zone(SiteCookies::read($request, SiteCookie::Zone)) ?? $funnel->business->zone(),
            Browser::isOwner($request));
    }

    private static function zone(mixed $name): ?DateTimeZone
    {
        $known = Browser::zone($name);

        return $known === null ? null : new DateTimeZone($known);
    }

    /** Does a deadline begin by this view? */
    private function begins(LivePage $live, Request $request, CarbonImmutable $now): bool
    {
        if ($live->identity?->owner === true || ! Seeing::isByAPerson($request->method(), $request->userAgent(),
            $request->headers->get('Sec-Purpose'))) {
            return false;
        }
        $begin = $live->deadlines?->mayBegin($live->states, $now) ?? [];

        return $begin !== [] && (min($begin) === 1 || PageViews::before($live->page->page_id, $live->identity?->visitor,
            $live->identity->people[0] ?? null) + 1 >= min($begin));
    }

    /** A browser in which something began is known again. */
    public static function remember(Response $response, Visit $visit): Response
    {
        if ($visit->states !== null || $visit->page->variant !== '' || $visit->page->split_test !== null) {
            $response->headers->set('Cache-Control', PageHeaders::NOT_KEPT);
            $visitor = $visit->identity->visitor ?? $visit->newVisitor;
            if ($visitor !== null && Browser::id($visit->request) === null) {
                $response->headers->setCookie(SiteCookies::give(SiteCookie::Visitor, $visitor));
            }
        }

        return $response;
    }
}
