<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Deadlines\Running\Holder;
use App\Deadlines\Running\Runs;
use App\Models\Registration;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
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
        $plan = $registration->funnel->liveVersion?->plan();
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
                $plan?->language() ?? 'en', $now)];
        $offerAt = $kind === 'replay' ? $room->webinar->offer?->second : $room->offerAt();
        if ($plan !== null && $offerAt !== null && in_array($state, [RoomState::On->value, RoomState::Over->value], true)) {
            // Where its person decides which second it is, their device shows it when it comes to it.
            $answer['offerAt'] = $offerAt;
            $answer['offer'] = $onDemand || $second >= $offerAt ? self::offer($registration, $room, $plan, $now) : null;
            // It has only just appeared: its deadline begins as soon as the device has told that it was seen.
            if ($answer['offer'] !== null && $answer['offer']['until'] === null && $registration->saw_offer_at === null
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
        if ($state === RoomState::Over->value && $plan !== null) {
            $answer['leads'] = self::leads($registration, $room, $plan);
        }

        return $answer;
    }

    /** @return array<string, mixed>|null what is offered, and how long its deadline leaves this person for it */
    private static function offer(Registration $registration, LiveRoom $room, Plan $plan, CarbonImmutable $now): ?array
    {
        $offer = $plan->offer($room->webinar->offer->offer ?? '');
        $product = $offer === null ? null : $plan->product($offer->product);
        if ($offer === null || $product === null) {
            return null;
        }
        $guards = array_values(array_map(fn (Deadline $d): string => $d->id,
            array_filter($plan->deadlines, fn (Deadline $d): bool => in_array($offer->id, $d->offers, true))));
        $runs = $guards === [] ? [] : Runs::of([Holder::person($registration->person_id)->key, Holder::everyone()->key], $guards);
        $ends = array_map(fn ($run) => $run->endsAt, $runs);
        $end = $ends === [] ? null : min($ends);

        return ['name' => $product->name, 'price' => $offer->price->words($plan->language()),
            'url' => $registration->funnel->url(self::pageOf($plan, $offer->id)),
            'until' => $end?->getTimestamp(), 'now' => $now->getTimestampMs(), 'over' => $end !== null && $end <= $now];
    }

    /** The page that sells an offer: the sales page that shows it, or its checkout. */
    private static function pageOf(Plan $plan, string $offer): string
    {
        foreach ([PageRole::Sales, PageRole::Checkout] as $role) {
            foreach ($plan->pages as $page) {
                if ($page->role === $role && in_array($offer, $page->document->references(), true)) {
                    return $page->address;
                }
            }
        }

        return '';
    }

    /** @return array{url: string, attended: bool}|null where somebody goes who was in a session that is over, or missed it */
    private static function leads(Registration $registration, LiveRoom $room, Plan $plan): ?array
    {
        $attended = $registration->attended_at !== null
            || $room->webinar->bar->isReached(Presence::watched($registration->id, 'live'), $room->length);
        foreach ($plan->pages as $page) {
            if ($page->role === PageRole::Room) {
                $way = (new Journey($plan))->way($page->id, $attended ? Outcome::Attended : Outcome::Missed);
                $to = $way?->toPage === null ? null : $plan->page($way->toPage);
                $url = $way->toUrl ?? ($to === null ? null : $registration->funnel->url($to->address));

                return $url === null ? null : ['url' => $url, 'attended' => $attended];
            }
        }

        return null;
    }
}
