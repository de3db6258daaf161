<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Generator;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Attention\Intervals;
use Lantern\Core\Results\Days;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Rate;
use Lantern\Core\Support\Validity;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\Curve;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\Webinar;
use stdClass;

/** Who was in which session of a webinar, for how long, and what came of it. The owner's own tries count nowhere. */
final class Attendance
{
    private const SUMS = "sum(case when state = 'registered' then 1 else 0 end) as registered, sum(case when state = 'waiting' then 1 "
        .'else 0 end) '
        .'as waiting, sum(case when came_at is not null then 1 else 0 end) as came, sum(case when attended_at is not null then 1 else 0 '
            .'end) '
        .'as stayed, sum(case when saw_offer_at is not null then 1 else 0 end) as saw_offer, sum(case when left_early_at is not null '
            .'then 1 '
        .'else 0 end) as left_early, sum(case when missed_at is not null then 1 else 0 end) as missed, sum(case when watched_replay_at '
            .'is not '
        .'null then 1 else 0 end) as replay, sum(live_seconds) as live_seconds, sum(replay_seconds) as replay_seconds';

    private const NUMBERS = ['registered', 'waiting', 'came', 'stayed', 'saw_offer', 'left_early', 'missed', 'replay', 'live_seconds',
        'replay_seconds'];

    /**
     * The numbers of each session, the latest first.
     *
     * @return array<string, array<string, int|string|null>> by key: `startsAt`, `endsAt`, and how many by {@see self::NUMBERS} and `bought`
     */
    public static function sessions(string $webinar, int $most = 60): array
    {
        $sessions = [];
        foreach (self::rows($webinar)->groupBy('session_key')->orderByRaw('min(starts_at) desc')->limit($most)
            ->selectRaw('session_key, min(starts_at) as starts_at, min(ends_at) as ends_at, '.self::SUMS)->get() as $row) {
            $sessions[(string) $row->session_key] = ['startsAt' => Instant::jsonFromSql($row->starts_at),
                'endsAt' => Instant::jsonFromSql($row->ends_at)] + self::numbers($row) + ['bought' => 0];
        }
        foreach (self::buyers($webinar)->groupBy('registrations.session_key')->selectRaw('registrations.session_key, '
            .'count(distinct registrations.person_id) as n')->get() as $row) {
            if (isset($sessions[(string) $row->session_key])) {
                $sessions[(string) $row->session_key]['bought'] = (int) $row->n;
            }
        }

        return $sessions;
    }

    /**
     * Who registered in a period, and how many came of those whose sessions ended within it.
     *
     * @param  list<string>  $funnels  ids
     * @return array<string, array{count: int, rate: array<string, int|float|null>, trend: list<int>}>
     */
    public static function byFunnel(array $funnels, Period $period, DateTimeZone $zone): array
    {
        [$from, $to] = [$period->begins($zone), $period->ends($zone)];
        $within = [Instant::sql($from), Instant::sql($to->modify('-1 millisecond'))];
        $days = $period->days();
        $rows = DB::table('registrations')->whereIn('funnel_id', $funnels)->where('owner', false);
        $registered = (clone $rows)->whereBetween('registered_at', $within)->get(['funnel_id', 'registered_at'])->groupBy('funnel_id');
        $over = (clone $rows)->whereBetween('settled_at', $within)->where('state', RegistrationState::Registered)->groupBy('funnel_id')
            ->selectRaw('funnel_id, count(*) as n, count(came_at) as came')->get()->keyBy('funnel_id');
        $result = [];
        foreach ($funnels as $id) {
            $theirs = $registered->get($id, collect());
            $byDay = $theirs->countBy(fn (stdClass $r): string => Days::of(Instant::carbon($r->registered_at) ?? $from, $zone));
            $result[$id] = ['count' => $theirs->count(), 'rate' => Rate::of((int) ($over[$id]->came ?? 0), (int) ($over[$id]->n ?? 0))
                ->toArray(), 'trend' => array_map(fn (string $d): int => (int) ($byDay[$d] ?? 0), $days)];
        }

        return $result;
    }

    /** @return array<string, int> of all sessions together; how many bought of those who attended, and of those who watched the replay */
    public static function totals(string $webinar): array
    {
        $row = self::rows($webinar)->selectRaw(self::SUMS)->first();

        return ($row === null ? array_fill_keys(self::NUMBERS, 0) : self::numbers($row)) + [
            'replay_alone' => self::rows($webinar)->whereNull('came_at')->whereNotNull('watched_replay_at')->count(),
            'bought' => self::buyers($webinar)->distinct()->count('registrations.person_id'),
            'bought_live' => self::buyers($webinar)->whereNotNull('came_at')->distinct()->count('registrations.person_id'),
            'bought_replay' => self::buyers($webinar)->whereNull('came_at')->whereNotNull('watched_replay_at')->distinct()
                ->count('registrations.person_id'),
        ];
    }

    /** @return array<string, int> */
    private static function numbers(stdClass $row): array
    {
        return array_combine(self::NUMBERS, array_map(fn (string $n): int => (int) ($row->{$n} ?? 0), self::NUMBERS));
    }

    private static function rows(string $webinar, ?string $key = null): Builder
    {
        return DB::table('registrations')->where('registrations.webinar_id', $webinar)->where('registrations.owner', false)
            ->when($key !== null, fn (Builder $q) => $q->where('registrations.session_key', $key));
    }

    /** Registrations of people who bought in the funnel of the webinar after their session began. */
    private static function buyers(string $webinar, ?string $key = null): Builder
    {
        return self::rows($webinar, $key)->join('orders', fn ($join) => $join->on('orders.person_id', '=', 'registrations.person_id')
            ->on('orders.funnel_id', '=', 'registrations.funnel_id')->whereNotNull('orders.bought_at')
            ->whereColumn('orders.bought_at', '>=', 'registrations.starts_at'));
    }

    /** Who was there over the minutes of a session. */
    public static function curve(string $webinar, string $key, int $length): Curve
    {
        return Curve::of(self::watched($webinar, $key), $length);
    }

    /** @return Generator<Intervals> what each person has seen of a session on all their devices */
    private static function watched(string $webinar, string $key): Generator
    {
        $person = null;
        $seen = Intervals::nothing();
        foreach (DB::table('room_devices')->join('registrations', 'registrations.id', '=', 'room_devices.registration_id')
            ->where('registrations.webinar_id', $webinar)->where('registrations.session_key', $key)->where('registrations.owner', false)
            ->where('room_devices.kind', 'live')->orderBy('registrations.id')->select(['registrations.id', 'room_devices.intervals'])
            ->cursor() as $row) {
            if ($person !== null && $person !== $row->id) {
                yield $seen;
                $seen = Intervals::nothing();
            }
            $person = $row->id;
            $seen = $seen->and(Presence::read((string) $row->intervals));
        }
        if ($person !== null) {
            yield $seen;
        }
    }

    /**
     * People of a session, by what became of them.
     *
     * @param  string  $outcome  one of {@see AttendanceOutcome}, or `registered`, `waiting`, `came`, `bought`
     */
    public static function people(string $webinar, string $key, string $outcome): Builder
    {
        $query = match ($outcome) {
            'bought' => self::buyers($webinar, $key)->distinct(),
            'waiting' => self::rows($webinar, $key)->where('registrations.state', RegistrationState::Waiting),
            'came' => self::rows($webinar, $key)->whereNotNull('registrations.came_at'),
            default => AttendanceOutcome::tryFrom($outcome) === null
                ? self::rows($webinar, $key)->where('registrations.state', RegistrationState::Registered)
                : self::rows($webinar, $key)->whereNotNull('registrations.'.str_replace('-', '_', $outcome).'_at'),
        };

        return $query->join('people', 'people.id', '=', 'registrations.person_id')->whereNull('people.erased_at')
            ->select(['registrations.id', 'people.id as person', 'people.email', 'people.first_name', 'people.last_name',
                'registrations.starts_at', 'registrations.registered_at', 'registrations.came_at', 'registrations.live_seconds',
                'registrations.replay_seconds', 'registrations.attended_at', 'registrations.saw_offer_at', 'registrations.left_early_at',
                'registrations.missed_at', 'registrations.watched_replay_at'])->orderBy('registrations.id');
    }

    /** What became of somebody, in words. */
    public static function words(stdClass $row): string
    {
        $words = [];
        foreach (AttendanceOutcome::cases() as $outcome) {
            if ($row->{str_replace('-', '_', $outcome->value).'_at'} !== null) {
                $words[] = $outcome->label();
            }
        }

        return $words === [] ? ($row->came_at === null ? 'Registered' : 'Came') : implode(', ', $words);
    }

    /**
     * @return list<array<string, mixed>> as the desk lists them: those to come, and those of which there is something to tell, the
     *     latest first
     */
    public static function listed(Webinar $webinar, CarbonImmutable $now): array
    {
        $known = self::sessions($webinar->id);
        $coming = [];
        foreach ($webinar->sessions()->between($now, $now->addDays($webinar->schedule->ahead), $webinar->zone(), $now) as $session) {
            if ($session->key !== 'd') {
                $coming[$session->key] = ['startsAt' => Instant::json($session->startsAt), 'endsAt' => Instant::json($session->endsAt)];
            }
        }
        $rows = DB::table('webinar_sessions')->where('webinar_id', $webinar->id)->get()->keyBy('session_key');
        $listed = [];
        foreach ($known + array_slice($coming, 0, 12, true) as $key => $session) {
            $row = $rows[$key] ?? null;
            $listed[] = ['key' => (string) $key] + $session + array_fill_keys([...self::NUMBERS, 'bought'], 0) + [
                'cancelled' => $row?->cancelled_at !== null, 'begun' => $row?->begun_at !== null, 'ended' => $row?->ended_at !== null,
                // Somebody is registered for a time that the schedule does not have any more.
                'scheduled' => isset($coming[$key]) || ! Validity::until(new CarbonImmutable((string) $session['startsAt']), $now)];
        }
        usort($listed, fn (array $a, array $b): int => $b['startsAt'] <=> $a['startsAt']);

        return $listed;
    }
}
