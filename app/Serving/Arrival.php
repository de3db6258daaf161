<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\States;
use App\Deadlines\VisitorIdentity;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Journey\Stranger;
use App\Models\Person;
use App\Models\Version;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\ShownState;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Bots;
use Symfony\Component\HttpFoundation\Response;

/**
 * Somebody comes to a page that a deadline is concerned with. What they get is decided here, before anything is sent: the
 * page itself, or the one that stands in its place. Seeing it may begin a deadline.
 */
final readonly class Arrival
{
    public function __construct(private Events $events)
    {
    }

    /** @return Visit|Response the visit to the page, or what leads them elsewhere */
    public function at(LivePage $live, Request $request): Visit|Response
    {
        $deadlines = $live->closed ? null : PageDeadlines::of($live->page);
        if ($deadlines === null) {
            return new Visit($live->funnel, $live->page, $request);
        }
        $now = CarbonImmutable::now();
        $identity = self::who($request, $live);
        if ($identity->owner) {
            return $this->asOwner($live, $request, $deadlines, $identity, $now);
        }
        $states = States::of($deadlines->deadlines, $identity, $now);
        $elsewhere = self::elsewhere($live, $request, $deadlines, $states);
        if ($elsewhere !== null) {
            return $elsewhere;
        }
        if ($this->begins($deadlines, $states, $request)) {
            [$identity, $states] = $this->begin($live, $deadlines, $identity, $now);
        }

        return new Visit($live->funnel, $live->page, $request, deadlines: $deadlines, states: $states, identity: $identity);
    }

    /** The page for somebody who has sent something from it: shown again, whatever has run out meanwhile. */
    public static function again(LivePage $live, Request $request): Visit
    {
        $deadlines = PageDeadlines::of($live->page);
        $identity = $deadlines === null ? null : self::who($request, $live);

        return new Visit($live->funnel, $live->page, $request, deadlines: $deadlines,
            states: $deadlines === null || $identity === null ? null : States::of($deadlines->deadlines, $identity, CarbonImmutable::now()),
            identity: $identity);
    }

    /** Who a request comes from. A person is known by their browser, an email's link, a form or an order; in this order. */
    public static function who(Request $request, LivePage $live): VisitorIdentity
    {
        $visitor = Browser::id($request);
        $person = VisitorIdentity::personOf($visitor) ?? Visit::readerOf($request, $live->funnel)?->person->id
            ?? Visit::submissionOf($request, $live->funnel)->person_id ?? Visit::orderOf($request, $live->funnel)?->person_id;
        $zone = $person === null ? null : Person::query()->whereKey($person)->value('timezone');

        return new VisitorIdentity($person === null ? [] : VisitorIdentity::ofMailboxes([$person]), $visitor, (string) $request->ip(),
            self::zone($zone) ?? self::zone($request->cookie(Browser::ZONE_COOKIE)) ?? $live->funnel->business->zone(),
            Browser::isOwner($request));
    }

    private static function zone(mixed $name): ?DateTimeZone
    {
        $known = Browser::zone($name);

        return $known === null ? null : new DateTimeZone($known);
    }

    /** Owners see their pages as they are, or in the state they choose; nothing begins for them and nothing is in their way. */
    private function asOwner(LivePage $live, Request $request, PageDeadlines $deadlines, VisitorIdentity $identity,
        CarbonImmutable $now): Visit|Response
    {
        $shown = ShownState::tryFrom(is_string($request->query('deadline')) ? $request->query('deadline') : '');
        $states = States::shown($deadlines->deadlines, $shown ?? ShownState::TwoDays, $now);

        return ($shown === null ? null : self::elsewhere($live, $request, $deadlines, $states))
            ?? new Visit($live->funnel, $live->page, $request, deadlines: $deadlines, states: $states, identity: $identity);
    }

    private static function elsewhere(LivePage $live, Request $request, PageDeadlines $deadlines, States $states): ?Response
    {
        $place = $deadlines->guards->page($live->page->page_id, $states->states);
        if ($place->page === $live->page->page_id) {
            return null;
        }
        $address = $place->page === null ? null : $deadlines->address($place->page);
        $url = $place->url ?? ($address === null ? null : $live->funnel->url($address));
        if ($url === null) {
            return PlainPage::timeIsUp($live->funnel->url())->response();
        }
        $query = $place->url === null ? (string) $request->getQueryString() : '';

        return new RedirectResponse($url.($query === '' ? '' : "?{$query}"), $request->isMethod('POST') ? 303 : 302,
            ['Cache-Control' => 'private, no-store']);
    }

    /** Does one begin now? By a person who looks at the page, and by no program that fetches it. */
    private function begins(PageDeadlines $deadlines, States $states, Request $request): bool
    {
        return array_filter($deadlines->seen, fn (string $id): bool => $states->state($id) === DeadlineState::NotStarted
                || ($deadlines->deadline($id)?->mayBegin($states->runs[$id] ?? null, CarbonImmutable::now()) ?? false)) !== []
            && $request->isMethod('GET') && ! Bots::is($request->userAgent())
            && ! str_contains(strtolower($request->headers->get('Sec-Purpose', '') ?? ''), 'prefetch');
    }

    /** @return array{VisitorIdentity, States} */
    private function begin(LivePage $live, PageDeadlines $deadlines, VisitorIdentity $identity, CarbonImmutable $now): array
    {
        $visitor = $identity->visitor ?? str_replace('-', '', (string) Str::uuid());
        $identity = new VisitorIdentity($identity->people, $visitor, $identity->ip, $identity->zone);
        $person = $identity->people === [] ? null : Person::query()->with('business')->find($identity->people[0]);
        // That the page is seen is recorded and counted by what its script reports.
        $this->events->follow(new NewEvent(EventType::Viewed, $live->funnel->business, $now, $live->funnel,
            Version::query()->findOrFail($live->page->version_id), $live->page->page_id, person: $person, visitor: $visitor,
            stranger: $person === null ? new Stranger($visitor, $identity->ip, $identity->zone) : null));

        return [$identity, States::of($deadlines->deadlines, $identity, $now)];
    }

    /** A browser in which something began is known again. */
    public static function remember(Response $response, Visit $visit): Response
    {
        if ($visit->states !== null) {
            $response->headers->set('Cache-Control', 'private, no-store');
            if ($visit->identity?->visitor !== null && Browser::id($visit->request) === null) {
                $response->headers->setCookie(Cookie::make(Browser::COOKIE, $visit->identity->visitor, 60 * 24 * 365, '/', httpOnly: false,
                    sameSite: 'lax'));
            }
        }

        return $response;
    }
}
