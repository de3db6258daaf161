<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Deadlines\Running\DeadlineOwner;
use App\Deadlines\Running\Runs;
use App\Models\Registration;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Webinars\RoomState;

/** What a room says to one of those in it, each time their device reports. */
final class RoomAnswer
{
    /** Seconds until a device reports again; longer where many do. */
    private const NEXT = 10;

    private const NEXT_OF_MANY = 20;

    private const MANY = 400;

    /** Seconds after the offer appeared in which devices report sooner, and how soon. */
    private const JUST = 30;

    private const SOON = 3;

    /** So many of their own questions are shown. */
    private const QUESTIONS = 20;

    /**
     * @param  'live'|'replay'  $kind
     * @return array<string, mixed>
     */
    public static function of(Registration $registration, LiveRoom $room, string $kind, string $device, CarbonImmutable $now): array
    {
        $facts = $room->facts;
        $onDemand = $kind === 'replay' || $registration->isOnDemand();
        $state = match (true) {
            $registration->state === Registration::CANCELLED || $room->isCancelled() => 'cancelled',
            $registration->state === Registration::WAITING => 'waiting',
            $onDemand => 'on',
            default => $room->room->state($now)->value,
        };
        $second = $onDemand ? (Presence::watched($registration->id, $kind)->until() ?? 0) : min($room->room->second($now), $room->length);
        $here = $onDemand ? 0 : Cache::remember("room-here:{$room->webinar->id}:{$room->session->key}", 5,
            fn (): int => Presence::here($room->webinar->id, $room->session->key, $now));
        $answer = ['state' => $state, 'second' => $onDemand && $second >= $room->length - 2 ? 0 : $second, 'length' => $room->length,
            'beginsIn' => $onDemand ? 0 : $room->room->beginsIn($now), 'here' => $here,
            'next' => $here > self::MANY ? self::NEXT_OF_MANY : self::NEXT, 'offer' => null, 'offerAt' => null, 'poll' => null,
            'questions' => [], 'leads' => null,
            'time' => $registration->isOnDemand() ? '' : TimeWords::moment($registration->starts_at, $registration->session()->zone,
                $facts->language ?? 'en', $now)];
        $offerAt = $kind === 'replay' ? $room->webinar->offer?->second : $room->offerAt();
        if ($facts?->offer !== null && $offerAt !== null && in_array($state, [RoomState::On->value, RoomState::Over->value], true)) {
            // Where its person decides which second it is, their device shows it when it comes to it.
            $answer['offerAt'] = $offerAt;
            $answer['offer'] = $onDemand || $second >= $offerAt ? self::offer($registration, $facts->offer, $now) : null;
            // It has only just appeared: its deadline begins as soon as the device has told that it was seen.
            if (isset($answer['offer']) && $answer['offer']['until'] === null && $registration->saw_offer_at === null
                && $second < $offerAt + self::JUST) {
                $answer['next'] = self::SOON;
            }
        }
        if ($kind === 'live' && ! $onDemand) {
            $answer['poll'] = Polls::shown($registration, $room);
        }
        if ($kind === 'live') {
            $answer['questions'] = DB::table('room_questions')->where('registration_id', $registration->id)->where('device', $device)
                ->orderByDesc('id')->limit(self::QUESTIONS)->get(['id', 'words', 'state', 'answer'])->all();
        }
        if ($state === RoomState::Over->value && $facts !== null) {
            $answer['leads'] = self::leads($registration, $room, $facts);
        }

        return $answer;
    }

    /**
     * What is offered, and how long its deadline leaves this person for it.
     *
     * @param  array{name: string, price: string, address: string, guards: list<string>}  $offer
     * @return array{name: string, price: string, url: string, until: int|null, now: int, over: bool}
     */
    private static function offer(Registration $registration, array $offer, CarbonImmutable $now): array
    {
        $runs = $offer['guards'] === [] ? []
            : Runs::of([DeadlineOwner::person($registration->person_id)->key, DeadlineOwner::everyone()->key], $now, $offer['guards']);
        $ends = array_map(fn (Run $run): DateTimeImmutable => $run->endsAt, $runs);
        $end = $ends === [] ? null : min($ends);

        return ['name' => $offer['name'], 'price' => $offer['price'], 'url' => $registration->funnel->url($offer['address']),
            'until' => $end?->getTimestamp(), 'now' => (int) $now->getTimestampMs(), 'over' => $end !== null && $end <= $now];
    }

    /** @return array{url: string, attended: bool}|null where somebody goes who was in a session that is over, or missed it */
    private static function leads(Registration $registration, LiveRoom $room, RoomFacts $facts): ?array
    {
        $attended = $registration->attended_at !== null
            || $room->webinar->bar->isReached(Presence::watched($registration->id, 'live'), $room->length);
        $to = $attended ? $facts->attended : $facts->missed;

        return $to === '' ? null : ['url' => str_starts_with($to, 'page:') ? $registration->funnel->url(substr($to, 5)) : $to,
            'attended' => $attended];
    }
}
