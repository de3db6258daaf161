<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Deadlines\VisitorIdentity;
use App\Experiments\Exposures;
use App\Forms\FormToken;
use App\Languages\SiteLanguage;
use App\Popups\FactLog;
use App\Popups\JoinInPopup;
use App\Popups\LivePopup;
use App\Popups\PopupContent;
use App\Popups\PopupView;
use App\Popups\SeenPages;
use App\Popups\Situations;
use App\Popups\Ticket;
use App\Support\AnswerKind;
use App\Support\Input;
use App\Support\Packed;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Lantern\Core\Events\EventType;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Popups\PopupCheck;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Popups\TriggerKind;
use Lantern\Core\Results\Bots;

/**
 * What the script of pop-ups asks and reports, on our pages and on the owner's other sites. Browsers report what happened; whether
 * something is shown is decided here. Whatever is not understood is answered as if there were nothing to show.
 */
final readonly class PopupController
{
    public function __construct(private PopupContent $content, private JoinInPopup $join, private SiteLanguage $language)
    {
    }

    /** A page is looked at: what may be shown on it, should one of its triggers come. */
    public function ask(Request $request): JsonResponse
    {
        $asked = Bots::is($request->userAgent()) ? null : PopupView::read($request, Str::lower(Str::random(32)));
        $limit = 'popup-views:'.$request->ip();
        if ($asked === null || RateLimiter::tooManyAttempts($limit, (int) config('lantern.popup_views_per_address'))) {
            return self::answer(['popups' => []]);
        }
        RateLimiter::hit($limit, 3600);
        if ($asked->site !== null) {
            SeenPages::see($asked->site, $asked->path, $asked->title, $asked->since, (string) $request->ip());
        }
        $whose = Situations::of($request, $asked, true);
        $situation = $whose->at();
        $found = [];
        foreach ($asked->site === null ? LivePopup::ofFunnel($asked->funnel ?? throw new \LogicException('A page has a funnel.'))
            : LivePopup::ofSite($asked->business, $asked->site->id) as $live) {
            $live = $live->seenBy($asked->owner ? null : $asked->visitor, $whose->person?->id);
            if (! PopupContent::waits($live)) {
                continue;
            }
            $verdict = PopupCheck::of($live->popup, $situation);
            if ($verdict->shows()) {
                $found[] = $live;
                if (! $asked->owner) {
                    FactLog::write($live, PopupFactType::Eligible, $asked, $whose->person?->id, pattern: $verdict->pattern);
                }
            }
        }

        $popups = array_map(fn (LivePopup $p): array => $this->content->shown($p, $whose), $found);

        return Packed::for($request, self::answer(['ticket' => Ticket::of($asked), 'popups' => $popups]
            + ($found === [] ? [] : PopupContent::styles($found, $asked->site !== null))));
    }

    /** A trigger came: is it shown now? */
    public function show(Request $request): JsonResponse
    {
        $asked = Ticket::read(Input::text($request, 'ticket'));
        $trigger = TriggerKind::tryFrom(Input::text($request, 'trigger'));
        $live = $asked === null ? null : $this->popup($request, $asked);
        // What is placed in a page needs nothing to open it.
        if ($asked === null || $live === null || ($trigger === null && ! $live->popup->isPlaced())) {
            return self::answer(['show' => false]);
        }
        $whose = Situations::of($request, $asked, false);
        $live = $live->seenBy($asked->owner ? null : $asked->visitor, $whose->person?->id);
        $verdict = PopupCheck::of($live->popup, $whose->at($trigger));
        if (! $verdict->shows()) {
            return self::answer(['show' => false]);
        }
        // Two tabs that ask in one moment are two views; of one view there is one fact, whoever writes it first.
        if (! $asked->owner && ! FactLog::write($live, PopupFactType::Shown, $asked, $whose->person?->id, $trigger,
            Input::number($request, 'after', 0, 0, 2_000_000_000), $verdict->pattern) && $trigger !== TriggerKind::Click
            && ! $live->popup->isPlaced()) {
            return self::answer(['show' => false]);
        }
        if ($live->variant !== null && $asked->visitor !== null) {
            Exposures::see($live->variant['test'], $live->variant['letter'], $asked->visitor, $whose->person?->id,
                CarbonImmutable::now(), $asked->business->zone());
        }

        return Packed::for($request, self::answer(['show' => true, 'token' => FormToken::issue($live->popup->id)]
            + ($request->boolean('content') ? ['popup' => $this->content->shown($live, $whose)]
                + PopupContent::styles([$live], $asked->site !== null) : [])));
    }

    /** It was closed, or something in it was followed. */
    public function report(Request $request): Response
    {
        $asked = Ticket::read(Input::text($request, 'ticket'));
        $type = PopupFactType::tryFrom(Input::text($request, 'type'));
        $live = $asked === null ? null : $this->popup($request, $asked);
        $shown = $asked === null || $live === null ? null : FactLog::shown($asked->view, $live->popup->id);
        // What was not shown can be neither closed nor clicked.
        if ($asked !== null && $live !== null && $shown !== null && ! $asked->owner
            && in_array($type, [PopupFactType::Closed, PopupFactType::Clicked], true)) {
            $person = Situations::of($request, $asked, false)->person?->id;
            FactLog::write($live, $type, $asked, $person, $shown[0], (int) $asked->since->diffInMilliseconds(now(), true), $shown[1]);
            if ($type === PopupFactType::Clicked) {
                Exposures::reach($live->funnel->id, EventType::Clicked, $asked->visitor, $person, CarbonImmutable::now(),
                    about: [$live->popup->id]);
            }
        }

        return new Response('', 204, AnswerKind::Embed->headers() + ['Cache-Control' => 'no-store']);
    }

    /** A form in it was filled in. */
    public function join(Request $request): JsonResponse
    {
        $asked = Ticket::read(Input::text($request, 'ticket'));
        $live = $asked === null ? null : $this->popup($request, $asked)
            ?->seenBy($asked->owner ? null : $asked->visitor, VisitorIdentity::personOf($asked->visitor));
        if ($asked === null || $live === null) {
            return self::answer(['message' => $this->language->voice()->say('form.old_or_closed')], 410);
        }
        $joined = $this->join->take($request, $asked, $live);
        $answer = $joined->in($this->language->is($live->page->language, null, OwnPhrases::of($live->page->phrases)));
        // On another site the way leads by way of ours, which can give the browser what a form's own page would have given it.
        if ($joined->go !== '' && $joined->submission !== null && $asked->site !== null && $live->popup->after->kind !== 'address') {
            $answer['go'] = EmbedController::doneLink($joined->submission);
        }
        $response = self::answer($answer, $joined->status);
        if ($joined->submission !== null && $asked->site === null) {
            $response->withCookie(SiteCookies::give(SiteCookie::Joined, $joined->submission->id, $live->funnel->site()));
        }

        return $response;
    }

    /** A pop-up that may be where the visitor is: of the funnel, or of any funnel whose owner's site it is. */
    private function popup(Request $request, PopupView $asked): ?LivePopup
    {
        $live = LivePopup::find(Input::text($request, 'popup'));

        return match (true) {
            $live === null => null,
            $asked->funnel !== null => $live->funnel->id === $asked->funnel->id ? $live : null,
            default => $live->funnel->business_id === $asked->business->id ? $live : null,
        };
    }

    /** @param  array<string, mixed>  $answer */
    private static function answer(array $answer, int $status = 200): JsonResponse
    {
        return new JsonResponse($answer, $status, AnswerKind::Embed->headers() + ['Cache-Control' => 'no-store'],
            JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
