<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Registration;
use App\Models\WebinarSession;
use App\Records\PersonLookup;
use App\Records\RegisteredSessions;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Webinars\HostCheck;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Webinar;

/** Sessions that are chosen without a form, moved and cancelled: by their person, or by the host. */
final readonly class Registering
{
    public function __construct(private Events $events)
    {
    }

    /**
     * Somebody we know chooses a session, or another one than before.
     *
     * @return RegisteredSession|null nothing where it cannot be had
     */
    public function choose(Person $person, Funnel $funnel, string $webinar, string $key, ?DateTimeZone $zone,
        DateTimeImmutable $now): ?RegisteredSession
    {
        return DB::transaction(function () use ($person, $funnel, $webinar, $key, $zone, $now): ?RegisteredSession {
            $version = $funnel->liveVersion;
            $found = $version?->plan()->webinar($webinar);
            if ($version === null || $found === null) {
                return null;
            }
            $before = Registration::query()->where('person_id', $person->id)->where('webinar_id', $webinar)->whereNotNull('open')->first();
            if ($before !== null && $before->session_key === $key && $before->state === RegistrationState::Registered) {
                return RegisteredSessions::of($found, $before);
            }
            $registered = RegisteredSessions::choose($found, $key, $zone ?? PersonLookup::zone($person), $person->id, $now);
            if ($registered !== null) {
                $this->take($person, $funnel, $registered, $now);
            }

            return $registered;
        });
    }

    private function take(Person $person, Funnel $funnel, RegisteredSession $registered, DateTimeImmutable $now): void
    {
        $person->loadMissing('business');
        $this->events->take(new NewEvent(EventType::Registered, $person->business, $now, $funnel, $funnel->liveVersion, person: $person,
            owner: $person->owner_try, data: ['webinar' => $registered->webinar, 'session' => $registered->session->key],
            webinar: $registered->webinar, registered: $registered));
    }

    /** Somebody takes their place back. Doing it twice is doing it once. */
    public function cancel(Registration $registration, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($registration, $now): void {
            if (Registration::query()->whereKey($registration->id)->whereNotNull('open')->update(['state' => RegistrationState::Cancelled,
                'open' => null, 'cancelled_at' => Instant::sql($now), 'number' => DB::raw('number + 1')]) === 0) {
                return;
            }
            SessionMails::cancel($registration->refresh(), 'Cancelled their place.', $now);
            $this->events->take(NewEvent::ofRegistration(EventType::SessionCancelled, $registration, $now));
            $this->fill($registration->webinar_id, $registration->session_key, $now);
        });
    }

    /** Gives places that have become free to those who wait for one, in their order. */
    public function fill(string $webinar, string $key, DateTimeImmutable $now): int
    {
        $filled = 0;
        foreach (RegisteredSessions::waiting($webinar, $key) as $registration) {
            $found = RegisteredSessions::webinar($registration);
            $taken = RegisteredSessions::taken($webinar, $registration->starts_at, $registration->person_id)[$key] ?? 0;
            if ($found === null || ! HostCheck::hasPlace($found, $registration->session(), $taken, $now)) {
                break;
            }
            $this->take($registration->person, $registration->funnel, RegisteredSession::of($found, $registration->session(), $now), $now);
            SessionNotices::plan($registration->refresh(), 'place', $now);
            $filled++;
        }

        return $filled;
    }

    /**
     * The host cancels a session: everybody registered for it hears of it, and can choose another one.
     *
     * @return int how many were registered
     */
    public function callOff(WebinarSession $session, DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($session, $now): int {
            if (WebinarSession::query()->whereKey($session->id)->whereNull('cancelled_at')->whereNull('ended_at')
                ->update(['cancelled_at' => Instant::sql($now)]) === 0) {
                return 0;
            }
            $affected = $this->of($session);
            foreach ($affected as $registration) {
                $registration->forceFill(['state' => RegistrationState::Cancelled, 'open' => null, 'cancelled_at' => $now,
                    'number' => $registration->number + 1])->save();
                SessionMails::cancel($registration, 'The session was cancelled.', $now);
                $this->events->take(NewEvent::ofRegistration(EventType::SessionCancelled, $registration, $now));
                SessionNotices::plan($registration, 'cancelled', $now);
            }

            return count($affected);
        });
    }

    /**
     * The host moves everybody from a session to another one. Nobody loses their place by it, however many places that has.
     *
     * @return int how many were moved
     */
    public function moveAll(WebinarSession $session, Webinar $webinar, Session $to, DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($session, $webinar, $to, $now): int {
            $affected = $this->of($session);
            foreach ($affected as $registration) {
                $theirs = new Session($to->key, $to->startsAt, $to->endsAt, new DateTimeZone($registration->zone));
                $this->take($registration->person, $registration->funnel, RegisteredSession::of($webinar, $theirs, $now,
                    $registration->state === RegistrationState::Waiting), $now);
                SessionNotices::plan($registration->refresh(), 'moved', $now);
            }
            if ($affected !== []) {
                $session->forceFill(['cancelled_at' => CarbonImmutable::instance($now)])->save();
            }

            return count($affected);
        });
    }

    /** @return list<Registration> for whom this session is before them */
    private function of(WebinarSession $session): array
    {
        return array_values(Registration::query()->with(['person.business', 'funnel.liveVersion', 'funnel.business'])
            ->where('webinar_id', $session->webinar_id)->where('session_key', $session->session_key)->whereNotNull('open')->orderBy('id')
            ->get()->all());
    }
}
