<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Languages\SiteVoice;
use App\Models\Registration;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\FirstEnd;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Offers\Price;
use Lantern\Core\Webinars\WatchKind;

/** What a room says to one of those in it, each time their device reports. */
final class RoomAnswer
{
    /** Seconds until a device reports again; longer where many do. */
    private const NEXT = 10;

    private const NEXT_OF_MANY = 20;

    private const MANY = 400;

    /** The same just after the offer appeared. */
    private const SOON = 3;

    /** So many of their own questions are shown. */
    private const QUESTIONS = 20;

    /** @return array<string, mixed> */
    public static function of(Registration $registration, LiveRoom $live, WatchKind $kind, string $device, CarbonImmutable $now): array
    {
        $facts = $live->facts;
        $room = $live->room;
        $shows = $live->attendee($registration)->shows($kind, $now);
        $together = $kind === WatchKind::Live && ! $room->session->isOnDemand();
        $here = ! $together ? 0 : Cache::remember("room-here:{$room->webinar->id}:{$room->session->key}", 5,
            fn (): int => Presence::here($room->webinar->id, $room->session->key, $now));
        $voice = RoomFacts::voice($facts, $registration->funnel);
        $answer = ['state' => $shows->state, 'second' => $shows->second, 'length' => $room->length, 'beginsIn' => $shows->beginsIn,
            'here' => $here, 'hereWords' => $here === 0 ? '' : $voice->say('room.here', ['count' => $here]),
            'next' => $here > self::MANY ? self::NEXT_OF_MANY : self::NEXT, 'offer' => null, 'offerAt' => null,
            'poll' => null, 'questions' => [], 'leads' => null,
            'time' => $registration->isOnDemand() ? '' : TimeWords::moment($registration->starts_at, $registration->session()->zone,
                $voice->language()->tag, $now)];
        if ($facts?->offer !== null && $shows->offerAt !== null) {
            $answer['offerAt'] = $shows->offerAt;
            $answer['offer'] = $shows->offer ? self::offer($registration, $facts->offer, $voice, $now) : null;
            // It has only just appeared: its deadline begins as soon as the device has told that it was seen.
            if (isset($answer['offer']) && $answer['offer']['until'] === null && $shows->offerIsFresh) {
                $answer['next'] = self::SOON;
            }
        }
        if ($shows->poll) {
            $answer['poll'] = Polls::shown($registration, $live);
        }
        if ($kind === WatchKind::Live) {
            $answer['questions'] = DB::table('room_questions')->where('registration_id', $registration->id)->where('device', $device)
                ->orderByDesc('id')->limit(self::QUESTIONS)->get(['id', 'words', 'state', 'answer'])->all();
        }
        if ($shows->attended !== null && $facts !== null) {
            $answer['leads'] = self::leads($registration, $shows->attended, $facts);
        }

        return $answer;
    }

    /**
     * What is offered, and how long its deadline leaves this person for it.
     *
     * @param  array{name: string, price: Price, address: string, guards: list<string>}  $offer
     * @return array{name: string, price: string, url: string, until: int|null, now: int, over: bool}
     */
    private static function offer(Registration $registration, array $offer, SiteVoice $voice, CarbonImmutable $now): array
    {
        $runs = $offer['guards'] === [] ? []
            : Runs::of([DeadlineOwner::person($registration->person_id)->key, DeadlineOwner::everyone()->key], $now, $offer['guards']);
        $end = FirstEnd::of($runs, $now);

        return ['name' => $offer['name'], 'price' => $voice->say($offer['price']->phrase()),
            'url' => $registration->funnel->url($offer['address']),
            'until' => $end->at?->getTimestamp(), 'now' => (int) $now->getTimestampMs(), 'over' => $end->isOver];
    }

    /** @return array{url: string, attended: bool}|null where somebody goes who was in a session that is over, or missed it */
    private static function leads(Registration $registration, bool $attended, RoomFacts $facts): ?array
    {
        $to = $attended ? $facts->attended : $facts->missed;

        return $to === '' ? null : ['url' => str_starts_with($to, 'page:') ? $registration->funnel->url(substr($to, 5)) : $to,
            'attended' => $attended];
    }
}
