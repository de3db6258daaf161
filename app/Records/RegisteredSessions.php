<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Funnel;
use App\Models\Registration;
use App\Models\Version;
use App\Support\Instant;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionPick;
use Lantern\Core\Webinars\Webinar;
use stdClass;

/** Registrations, in the words of the core. */
final class RegisteredSessions
{
    /** What is known of somebody in a webinar, by the column that says when it came to be. */
    public const STATES = ['attended' => 'attended_at', 'saw-offer' => 'saw_offer_at', 'left-early' => 'left_early_at',
        'missed' => 'missed_at', 'watched-replay' => 'watched_replay_at'];

    /** The webinar as it is now; as it was when they registered where it is gone from its funnel. */
    public static function webinar(Registration $registration): ?Webinar
    {
        $registration->loadMissing('funnel.liveVersion');

        return $registration->funnel->liveVersion?->plan()->webinar($registration->webinar_id)
            ?? Version::query()->find($registration->version_id)?->plan()->webinar($registration->webinar_id);
    }

    /**
     * The sessions of some people: of each webinar the one before them, or else the last they had.
     *
     * @param  list<string>  $people  ids
     * @param  list<string>|null  $webinars  ids; null for all
     * @return array<string, array<string, RegisteredSession>> by person and webinar
     */
    public static function ofPeople(array $people, ?array $webinars = null): array
    {
        $registrations = [];
        $plans = [];
        foreach (self::rows($people, $webinars) as $row) {
            $funnel = (string) $row->funnel_id;
            $plan = $plans[$funnel] ??= Funnel::query()->with('liveVersion')->find($funnel)?->liveVersion?->plan();
            $webinar = $plan?->webinar((string) $row->webinar_id);
            $person = (string) $row->person_id;
            if ($webinar !== null && ! isset($registrations[$person][$webinar->id])) {
                $registrations[$person][$webinar->id] = self::registered($webinar, $row);
            }
        }

        return $registrations;
    }

    public static function of(Webinar $webinar, Registration $registration): RegisteredSession
    {
        return RegisteredSession::of($webinar, $registration->session(), $registration->chosen_at,
            $registration->state === RegistrationState::Waiting);
    }

    private static function registered(Webinar $webinar, stdClass $row): RegisteredSession
    {
        $utc = new DateTimeZone('UTC');
        $session = new Session((string) $row->session_key, new DateTimeImmutable((string) $row->starts_at, $utc),
            new DateTimeImmutable((string) $row->ends_at, $utc), new DateTimeZone((string) $row->zone));

        return RegisteredSession::of($webinar, $session, new DateTimeImmutable((string) $row->chosen_at, $utc),
            $row->state === RegistrationState::Waiting->value);
    }

    /**
     * @param  list<string>  $people
     * @param  list<string>|null  $webinars
     * @return iterable<stdClass> the one before them first, then the latest; none that are cancelled
     */
    private static function rows(array $people, ?array $webinars): iterable
    {
        return $people === [] || $webinars === [] ? [] : DB::table('registrations')->whereIn('person_id', $people)
            ->when($webinars !== null, fn ($q) => $q->whereIn('webinar_id', $webinars ?? []))
            ->where('state', '!=', RegistrationState::Cancelled)->orderByRaw('open is null')->orderByDesc('id')
            ->get(['id', 'person_id', 'funnel_id', 'webinar_id', 'session_key', 'starts_at', 'ends_at', 'zone', 'state', 'chosen_at',
                'number', 'open', ...array_values(self::STATES)]);
    }

    /**
     * @return array{id: string, number: int, session: string, open: bool, became: list<string>}|null the registration that somebody has
     *     now, how often it was changed, the key of its session, whether it is before them still, and what has become of it
     */
    public static function current(string $person, string $webinar): ?array
    {
        foreach (self::rows([$person], [$webinar]) as $row) {
            return ['id' => (string) $row->id, 'number' => (int) $row->number, 'session' => (string) $row->session_key,
                'open' => $row->open !== null, 'became' => self::became($row)];
        }

        return null;
    }

    /** The registration of somebody for a webinar: the one before them, or else the last they had. */
    public static function find(string $person, string $webinar): ?Registration
    {
        return Registration::query()->where('person_id', $person)->where('webinar_id', $webinar)
            ->where('state', '!=', RegistrationState::Cancelled)->orderByRaw('open is null')->orderByDesc('id')->first();
    }

    /**
     * What is known of somebody in each webinar, for rules about people.
     *
     * @return array<string, list<string>> by webinar
     */
    public static function known(string $person): array
    {
        $known = [];
        foreach (DB::table('registrations')->where('person_id', $person)->get() as $row) {
            $known[(string) $row->webinar_id] = array_values(array_unique([...$known[(string) $row->webinar_id] ?? [],
                ...self::became($row)]));
        }

        return $known;
    }

    /** @return list<string> of one registration, in the words of {@see \Lantern\Core\Rules\WebinarRule::STATES} */
    private static function became(stdClass $row): array
    {
        $states = $row->state === RegistrationState::Registered->value && $row->open !== null ? ['registered'] : [];
        foreach (self::STATES as $state => $column) {
            if ($row->{$column} !== null) {
                $states[] = $state;
            }
        }

        return $states;
    }

    /**
     * Places taken in the sessions of a webinar.
     *
     * @param  string|null  $except  the id of a person whose own place does not count
     * @return array<string, int> by key
     */
    public static function taken(string $webinar, DateTimeImmutable $from, ?string $except = null): array
    {
        return array_map(intval(...), DB::table('registrations')->where('webinar_id', $webinar)->where('state',
            RegistrationState::Registered)
            ->whereNotNull('open')->where('starts_at', '>=', Instant::sql($from->modify('-1 day')))
            ->when($except !== null, fn ($q) => $q->where('person_id', '!=', $except))
            ->groupBy('session_key')->selectRaw('session_key, count(*) as n')->pluck('n', 'session_key')->all());
    }

    /** @return Collection<int, Registration> those waiting for a place in a session, who came first at the top */
    public static function waiting(string $webinar, string $key): Collection
    {
        return Registration::query()->with(['person.business', 'funnel.liveVersion'])->where('webinar_id', $webinar)
            ->where('session_key', $key)->where('state', RegistrationState::Waiting)->whereNotNull('open')->orderBy('chosen_at')
            ->orderBy('id')
            ->get();
    }

    /**
     * The place somebody would have in a session that they choose. It is called in the transaction that gives it to them, so that
     * no place is given twice.
     *
     * @param  DateTimeZone  $zone  the visitor's
     * @param  string|null  $person  whose own place does not count
     * @return RegisteredSession|null nothing for a session that is none, is over, or can no longer be registered for
     */
    public static function choose(Webinar $webinar, string $key, DateTimeZone $zone, ?string $person,
        DateTimeImmutable $now): ?RegisteredSession
    {
        $calledOff = self::isCalledOff($webinar->id, $key) ? [$key] : [];

        return SessionPick::of($webinar, $key, $zone, self::taken($webinar->id, $now, $person), $calledOff, $now);
    }

    public static function isCalledOff(string $webinar, string $key): bool
    {
        return DB::table('webinar_sessions')->where('webinar_id', $webinar)->where('session_key', $key)->whereNotNull('cancelled_at')
            ->exists();
    }

    /** @return list<string> keys of the sessions that the host has cancelled */
    public static function calledOff(string $webinar): array
    {
        return array_values(array_map(strval(...), DB::table('webinar_sessions')->where('webinar_id', $webinar)
            ->whereNotNull('cancelled_at')->pluck('session_key')->all()));
    }
}
