<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Http\Studio\StudioController;
use App\Models\Broadcast;
use App\Models\Funnel;
use App\Models\Person;
use App\People\Tags\Tagging;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
use App\Webinars\Attendance;
use App\Webinars\ControlRoom;
use App\Webinars\LiveRoom;
use App\Webinars\Polls;
use App\Webinars\Questions;
use App\Webinars\Registering;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Webinars\HostCheck;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Webinar;
use stdClass;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A session of a webinar: its control room, and its report afterwards. */
final class WebinarSessionController extends StudioController
{
    private const A_PAGE = 50;

    public function show(string $part, string $key): JsonResponse
    {
        [$funnel, $webinar, $session] = $this->find($part, $key);

        return response()->json($this->json($funnel, $webinar, $session));
    }

    /** @return array<string, mixed> */
    private function json(Funnel $funnel, Webinar $webinar, Session $session): array
    {
        $now = CarbonImmutable::now();
        $room = LiveRoom::at($webinar, $session);
        $curve = Attendance::curve($webinar->id, $session->key, $room->room->length);

        return ['key' => $session->key, 'funnel' => $funnel->id, 'webinar' => $webinar->id, 'title' => $webinar->title,
            'mode' => $webinar->mode->value, 'startsAt' => Instant::json($session->startsAt),
            'endsAt' => Instant::json($session->endsAt), 'zone' => $webinar->schedule->zone,
            'offer' => $webinar->offer === null ? null : ($funnel->liveVersion?->plan()->offer($webinar->offer->offer)->name ?? null),
            'room' => ControlRoom::shown($webinar, $session, $now),
            'numbers' => (Attendance::sessions($webinar->id)[$session->key] ?? []),
            'curve' => ['step' => $curve->step, 'counts' => $curve->counts], 'offerAt' => $room->room->offerAt()];
    }

    public function act(Request $request, string $part, string $key, ControlRoom $control): JsonResponse
    {
        [$funnel, $webinar, $session] = $this->find($part, $key);
        $people = $control->act($funnel, $webinar, $session, Input::text($request, 'act'), CarbonImmutable::now());

        return response()->json($this->json($funnel->refresh(), $webinar, $session) + ['people' => $people]);
    }

    /** Everybody goes over to another time. */
    public function move(Request $request, string $part, string $key, Registering $registering): JsonResponse
    {
        [$funnel, $webinar, $session] = $this->find($part, $key);
        $now = CarbonImmutable::now();
        $to = $webinar->sessions()->find(Input::text($request, 'to'), $webinar->zone(), $now);
        $refusal = HostCheck::move($session, $to, $now);
        if ($refusal !== null || $to === null) {
            throw Invalid::at('to', (string) $refusal);
        }
        $moved = $registering->moveAll(ControlRoom::row($funnel, $webinar, $session), $webinar, $to, $now);

        return response()->json(['moved' => $moved, 'to' => $to->key]);
    }

    public function question(Request $request, string $part, string $key, string $question): JsonResponse
    {
        [$funnel, $webinar, $session] = $this->find($part, $key);
        $state = Input::text($request, 'state');
        $answer = trim(mb_substr(Input::text($request, 'answer'), 0, 2000));
        if (! in_array($state, Questions::STATES, true)) {
            throw Invalid::at('state', 'A question is open, answered, answered in the session, or hidden.');
        }
        if ($state === 'answered' && $answer === '') {
            throw Invalid::at('answer', 'Please write the answer first.');
        }
        $changed = DB::table('room_questions')->where('id', $question)->where('webinar_id', $webinar->id)->where('session_key',
            $session->key)
            ->update(['state' => $state, 'answer' => $state === 'answered' ? $answer : null,
                'changed_at' => Instant::sql(CarbonImmutable::now())]);
        if ($changed === 0) {
            throw new NotFoundHttpException;
        }

        return response()->json($this->json($funnel, $webinar, $session));
    }

    public function poll(Request $request, string $part, string $key): JsonResponse
    {
        [$funnel, $webinar, $session] = $this->find($part, $key);
        $now = CarbonImmutable::now();
        $options = $request->input('options');
        match (Input::text($request, 'act')) {
            'open' => Polls::open($funnel->business_id, $webinar->id, $session->key, Input::text($request, 'question'),
                array_values(array_filter(is_array($options) ? $options : [], is_string(...))), $now),
            'close' => Polls::close($webinar->id, $session->key, $now),
            'reopen' => Polls::reopen($webinar->id, $session->key),
            default => throw Invalid::at('act', 'A poll is opened or closed.'),
        };

        return response()->json($this->json($funnel, $webinar, $session));
    }

    public function people(Request $request, string $part, string $key): JsonResponse
    {
        [, $webinar, $session] = $this->find($part, $key);
        $page = Input::number($request, 'page', 1, 1, 100_000);
        $query = Attendance::people($webinar->id, $session->key, Input::text($request, 'outcome'));
        $total = (clone $query)->count('registrations.id');

        return response()->json(['total' => $total, 'people' => $query->forPage($page, self::A_PAGE)->get()
            ->map(fn (stdClass $r): array => self::row($r))->all()]);
    }

    /** @return array<string, mixed> */
    private static function row(stdClass $row): array
    {
        return ['id' => $row->person, 'email' => $row->email, 'name' => trim("{$row->first_name} {$row->last_name}"),
            'liveSeconds' => (int) $row->live_seconds, 'replaySeconds' => (int) $row->replay_seconds, 'words' => Attendance::words($row),
            'cameAt' => Instant::jsonFromSql($row->came_at)];
    }

    /** Those of an outcome get a tag, and an email to them is begun. */
    public function write(Request $request, string $part, string $key, Tagging $tagging): JsonResponse
    {
        [$funnel, $webinar, $session] = $this->find($part, $key);
        $outcome = Input::text($request, 'outcome');
        $label = ['registered' => 'Registered', 'came' => 'Came', 'attended' => 'Attended', 'saw-offer' => 'Saw the offer',
            'left-early' => 'Left early', 'missed' => 'Missed', 'watched-replay' => 'Watched the replay', 'bought' => 'Bought'][$outcome]
            ?? throw Invalid::at('outcome', 'Please choose who the email is for.');
        $day = $session->startsAt->setTimezone($webinar->zone())->format('j M H:i');
        $tag = mb_substr("{$label}: {$webinar->name}, {$day}", 0, 60);
        $now = CarbonImmutable::now();
        $broadcast = DB::transaction(function () use ($webinar, $session, $outcome, $tag, $tagging, $funnel, $now): Broadcast {
            foreach (Attendance::people($webinar->id, $session->key, $outcome)->get() as $row) {
                $tagging->add(Person::query()->findOrFail((string) $row->person), $tag, $now);
            }

            return Broadcast::query()->create(['id' => Ids::next(), 'business_id' => $this->user()->business_id, 'name' => $tag,
                'funnel_id' => $funnel->id, 'audience' => ['all' => true, 'rules' => [['kind' => 'tag', 'tag' => $tag]]],
                'body' => '<p>Hello {{first_name|there}},</p><p></p><p>Warmly,<br>'.e($this->business()->sender()->host()).'</p>']);
        });

        return response()->json(['id' => $broadcast->id, 'tag' => $tag], 201);
    }

    public function export(string $part, string $key): StreamedResponse
    {
        [, $webinar, $session] = $this->find($part, $key);

        return response()->streamDownload(function () use ($webinar, $session): void {
            echo "\xEF\xBB\xBF".CsvWriter::record('email', 'first_name', 'last_name', 'session', 'registered', 'came', 'minutes',
                'replay_minutes',
                'outcome');
            $at = fn (mixed $sql): string => $sql === null ? '' : str_replace(' ', 'T', substr((string) $sql, 0, 19)).'Z';
            $minutes = fn (mixed $seconds): string => number_format((int) $seconds / 60, 1, '.', '');
            foreach (Attendance::people($webinar->id, $session->key, 'registered')->cursor() as $row) {
                echo CsvWriter::record((string) $row->email, (string) $row->first_name, (string) $row->last_name, $at($row->starts_at),
                    $at($row->registered_at), $at($row->came_at), $minutes($row->live_seconds), $minutes($row->replay_seconds),
                    Attendance::words($row));
            }
        }, 'session.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    /** @return array{Funnel, Webinar, Session} the webinar as it is public, or as it is drafted while it is not */
    private function find(string $part, string $key): array
    {
        $row = $this->draftPart($part, Webinar::kind());
        $funnel = $row->funnel;
        $funnel->loadMissing(['liveVersion', 'business']);
        $drafted = $row->part();
        $webinar = $funnel->liveVersion?->plan()->webinar($part) ?? ($drafted instanceof Webinar ? $drafted : null);
        if ($webinar === null) {
            throw new NotFoundHttpException;
        }
        $known = DB::table('registrations')->where('webinar_id', $part)->where('session_key', $key)->first(['starts_at', 'ends_at', 'zone'])
            ?? DB::table('webinar_sessions')->where('webinar_id', $part)->where('session_key', $key)->first(['starts_at', 'ends_at']);
        $utc = new DateTimeZone('UTC');
        $session = $known === null ? $webinar->sessions()->find($key, $webinar->zone(), CarbonImmutable::now())
            : new Session($key, CarbonImmutable::parse((string) $known->starts_at, $utc),
                CarbonImmutable::parse((string) $known->ends_at, $utc),
                $webinar->zone());

        return [$funnel, $webinar, $session ?? throw new NotFoundHttpException];
    }
}
