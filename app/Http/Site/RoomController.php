<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Languages\SiteLanguage;
use App\Languages\SiteVoice;
use App\Models\Registration;
use App\Records\RegisteredSessions;
use App\Records\RegistrationLinks;
use App\Serving\AtHome;
use App\Serving\Browser;
use App\Serving\PlainPage;
use App\Support\AnswerKind;
use App\Support\Input;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use App\Webinars\Lengths;
use App\Webinars\LiveRoom;
use App\Webinars\Polls;
use App\Webinars\Presence;
use App\Webinars\Questions;
use App\Webinars\Registering;
use App\Webinars\RoomAnswer;
use App\Webinars\RoomFacts;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Webinars\AttendeePlace;
use Lantern\Core\Webinars\Invitation;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\ReportTaken;
use Lantern\Core\Webinars\WatchKind;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** What belongs to one person's place in a webinar: the ways to its pages, the calendar file, and what their device reports. */
final readonly class RoomController
{
    /** So many intervals are read of one report. */
    private const MOST_INTERVALS = 60;

    public function __construct(private Registering $registering, private Presence $presence, private Questions $questions,
        private SiteLanguage $language)
    {
    }

    /** Their own link: into the room, or wherever they are better off by now. */
    public function enter(Request $request, string $registration, string $seal): AnyResponse
    {
        $found = RegistrationLinks::read($registration, $seal);

        $place = $found === null ? AttendeePlace::Room : LiveRoom::of($found)->attendee($found)->place();

        return $this->lead($request, $found, match ($place) {
            AttendeePlace::Room => PageRole::Room,
            AttendeePlace::Replay => PageRole::Replay,
            AttendeePlace::Confirmation => PageRole::Confirmation,
        });
    }

    public function replay(Request $request, string $registration, string $seal): AnyResponse
    {
        return $this->lead($request, RegistrationLinks::read($registration, $seal), PageRole::Replay);
    }

    public function change(Request $request, string $registration, string $seal): AnyResponse
    {
        return $this->lead($request, RegistrationLinks::read($registration, $seal), PageRole::Confirmation);
    }

    public function calendar(string $registration, string $seal): Response
    {
        $found = RegistrationLinks::read($registration, $seal);
        $webinar = $found === null ? null : RegisteredSessions::webinar($found);
        if ($found === null || $webinar === null || $found->isOnDemand()) {
            return new Response('There is nothing at this address.', 404, AnswerKind::Plain->headers() + ['Content-Type' => 'text/plain']);
        }
        $sender = $found->funnel->liveVersion?->plan()->sender ?? $found->funnel->business->sender();
        $file = (new Invitation("{$found->id}@webinars", $found->number, $webinar->title, '', RegistrationLinks::room($found),
            $sender->business,
            $sender->address, $found->session(), $found->cancelled_at ?? $found->chosen_at,
            $found->state === RegistrationState::Cancelled))->file();

        return new Response($file, 200, ['Content-Type' => 'text/calendar; charset=utf-8; method='
            .($found->state === RegistrationState::Cancelled ? 'CANCEL' : 'PUBLISH'), 'Content-Disposition' => 'attachment; '
                .'filename="webinar.ics"']
            + AnswerKind::Download->headers());
    }

    /** Another session is chosen, from the page that shows the one they have. */
    public function choose(Request $request, string $registration, string $seal): AnyResponse
    {
        $found = RegistrationLinks::read($registration, $seal);
        if ($found === null) {
            return PlainPage::notHere()->response();
        }
        $now = CarbonImmutable::now();
        $registered = $this->registering->choose($found->person, $found->funnel, $found->webinar_id, Input::text($request,
            'webinar_session'),
            new DateTimeZone(Browser::zone(SiteCookies::read($request, SiteCookie::Zone)) ?? $found->zone), $now);
        if ($registered === null) {
            $this->voice($found);

            return PlainPage::sessionGone(RegistrationLinks::change($found))->response();
        }

        return $this->lead($request, RegisteredSessions::find($found->person_id, $found->webinar_id), PageRole::Confirmation, 303);
    }

    public function cancel(Request $request, string $registration, string $seal): AnyResponse
    {
        $found = RegistrationLinks::read($registration, $seal);
        if ($found === null) {
            return PlainPage::notHere()->response();
        }
        $this->registering->cancel($found, CarbonImmutable::now());

        return $this->lead($request, $found, PageRole::Confirmation, 303);
    }

    /** What their device has played since it last said so; the answer is what goes on in the room. */
    public function report(Request $request, string $registration, string $seal): JsonResponse
    {
        $found = RegistrationLinks::light($registration, $seal);
        $device = Input::text($request, 'device');
        if ($found === null || preg_match('/^[0-9a-f]{16}$/D', $device) !== 1) {
            return self::json(['message' => $this->language->voice()->say('room.no_room')], 404);
        }
        $now = CarbonImmutable::now();
        $room = LiveRoom::of($found);
        $kind = WatchKind::tryFrom(Input::text($request, 'kind')) ?? WatchKind::Live;
        $taken = $room->attendee($found)->takes($kind, $now);
        if ($taken === ReportTaken::Refused) {
            return self::json(['message' => $this->voice($found)->say('room.replay_not_open')], 409);
        }
        $played = $taken === ReportTaken::All ? self::played($request) : [];
        if ($taken !== ReportTaken::Ignored && ! $this->presence->report($found, $room, $device, $kind, $played, $now)) {
            return self::json(['state' => 'crowded', 'next' => 30]);
        }

        return self::json(RoomAnswer::of($found, $room, $kind, $device, $now));
    }

    public function ask(Request $request, string $registration, string $seal): JsonResponse
    {
        $found = RegistrationLinks::read($registration, $seal);
        $device = Input::text($request, 'device');
        if ($found === null || preg_match('/^[0-9a-f]{16}$/D', $device) !== 1) {
            return self::json(['message' => $this->language->voice()->say('room.no_room')], 404);
        }
        $now = CarbonImmutable::now();
        $room = LiveRoom::of($found);
        if (! $room->attendee($found)->maySpeak()) {
            return self::json(['message' => $this->voice($found)->say('room.not_open')], 409);
        }
        try {
            $this->questions->ask($found, $room, $device, Input::text($request, 'question'),
                Input::number($request, 'second', 0, 0, Lengths::seconds($room->room->webinar)), $now);
        } catch (Invalid $e) {
            return self::json(['message' => $this->voice($found)->say($e->said ?? throw $e)], 422);
        }

        return self::json(RoomAnswer::of($found, $room, WatchKind::Live, $device, $now), 201);
    }

    public function vote(Request $request, string $registration, string $seal): JsonResponse
    {
        $found = RegistrationLinks::read($registration, $seal);
        if ($found === null || $found->state !== RegistrationState::Registered) {
            return self::json(['message' => $this->language->voice()->say('room.no_room')], 404);
        }
        $counted = Polls::vote($found, Input::text($request, 'poll'), Input::number($request, 'choice', -1, -1, Polls::MOST_OPTIONS));

        return self::json(['poll' => Polls::shown($found, LiveRoom::of($found))], $counted ? 201 : 409);
    }

    /** @return list<array{int, int}> what can be read of the intervals in a report */
    private static function played(Request $request): array
    {
        $played = $request->input('played');
        $read = [];
        foreach (is_array($played) ? array_slice($played, 0, self::MOST_INTERVALS) : [] as $interval) {
            $from = is_array($interval) ? $interval[0] ?? null : null;
            $until = is_array($interval) ? $interval[1] ?? null : null;
            if (is_int($from) && is_int($until) && abs($from) < 1_000_000 && abs($until) < 1_000_000) {
                $read[] = [$from, $until];
            }
        }

        return $read;
    }

    /** In the language of the room they have a place in. */
    private function voice(Registration $registration): SiteVoice
    {
        $facts = RoomFacts::of($registration);

        return $this->language->is($facts->language ?? $registration->funnel->language, $registration->funnel->business, $facts?->own);
    }

    private function lead(Request $request, ?Registration $registration, PageRole $role, int $status = 302): AnyResponse
    {
        $version = $registration?->funnel->liveVersion;
        $page = null;
        foreach ($version?->plan()->pages ?? [] as $candidate) {
            $page ??= $candidate->role === $role ? $candidate : null;
        }
        if ($registration === null || $page === null) {
            return PlainPage::notHere()->response();
        }
        AtHome::orThere($request, $registration->funnel->site());

        return redirect()->away($registration->funnel->url($page->address), $status)
            ->withHeaders(['Cache-Control' => 'private, no-store', 'Referrer-Policy' => 'no-referrer'])
            ->withCookie(SessionRegistrations::seat($registration->funnel->site(), RegistrationLinks::seat($registration)));
    }

    /** @param  array<string, mixed>  $data */
    private static function json(array $data, int $status = 200): JsonResponse
    {
        return new JsonResponse($data, $status, ['Cache-Control' => 'no-store'] + AnswerKind::Plain->headers());
    }
}
