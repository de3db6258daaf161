<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Funnel;
use App\Models\WebinarSession;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Webinars\RoomState;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;

/** What the host does in the live hour. Everything can be taken back while the session is fresh. */
final readonly class ControlRoom
{
    /** Minutes for which the end of a session can be taken back. */
    private const UNDO = 10;

    public function __construct(private Registering $registering)
    {
    }

    /** The row of a session; made when its host first does something in it. */
    public static function row(Funnel $funnel, Webinar $webinar, Session $session): WebinarSession
    {
        return WebinarSession::query()->firstOrCreate(['webinar_id' => $webinar->id, 'session_key' => $session->key],
            ['business_id' => $funnel->business_id, 'funnel_id' => $funnel->id, 'starts_at' => $session->startsAt,
                'ends_at' => $session->endsAt]);
    }

    /**
     * @param  string  $act  `begin`, `end`, `unbegin`, `reopen`, `offer`, `hide-offer`, `cancel`
     * @return int people it concerned, where it concerns some; what makes no sense now is refused in words ({@see Invalid})
     */
    public function act(Funnel $funnel, Webinar $webinar, Session $session, string $act, CarbonImmutable $now): int
    {
        return DB::transaction(function () use ($funnel, $webinar, $session, $act, $now): int {
            $row = self::row($funnel, $webinar, $session);
            if ($row->cancelled_at !== null) {
                throw Invalid::at('act', 'This session was cancelled.');
            }
            if ($webinar->manner === WebinarMode::Automated && ! in_array($act, ['cancel', 'offer', 'hide-offer'], true)) {
                throw Invalid::at('act', 'A recording begins and ends by itself.');
            }
            match ($act) {
                'begin' => $this->begin($row, $now),
                'unbegin' => $row->forceFill(['begun_at' => null, 'offer_second' => null])->save(),
                'end' => $this->end($row, $now),
                'reopen' => $this->reopen($row, $now),
                'offer' => $this->offer($row, $webinar, $session, $now),
                'hide-offer' => $row->forceFill(['offer_hidden' => true])->save(),
                'cancel' => null,
                default => throw Invalid::at('act', 'There is nothing like that to do in a room.'),
            };

            return $act === 'cancel' ? $this->cancel($row, $now) : 0;
        });
    }

    private function begin(WebinarSession $row, CarbonImmutable $now): void
    {
        if ($row->begun_at !== null) {
            throw Invalid::at('act', 'It has begun already.');
        }
        if ($now < $row->starts_at->subMinutes(60)) {
            throw Invalid::at('act', 'It can be begun an hour before its time at the earliest.');
        }
        $row->forceFill(['begun_at' => $now])->save();
    }

    private function end(WebinarSession $row, CarbonImmutable $now): void
    {
        if ($row->begun_at === null || $row->ended_at !== null) {
            throw Invalid::at('act', $row->begun_at === null ? 'It has not begun yet.' : 'It has ended already.');
        }
        $row->forceFill(['ended_at' => $now])->save();
        AttendanceResults::soon($row, $now);
    }

    private function reopen(WebinarSession $row, CarbonImmutable $now): void
    {
        if ($row->ended_at === null || $row->ended_at < $now->subMinutes(self::UNDO)) {
            throw Invalid::at('act', $row->ended_at === null ? 'It has not ended.'
                : 'It ended more than '.self::UNDO.' minutes ago, and those who were there have been told.');
        }
        if (DB::table('registrations')->where('webinar_id', $row->webinar_id)->where('session_key', $row->session_key)
            ->whereNotNull('settled_at')->exists()) {
            throw Invalid::at('act', 'What became of those who were there is settled already: their emails are on their way.');
        }
        $row->forceFill(['ended_at' => null])->save();
    }

    private function offer(WebinarSession $row, Webinar $webinar, Session $session, CarbonImmutable $now): void
    {
        if ($webinar->offer === null) {
            throw Invalid::at('act', 'This webinar has no offer. Choose one on its desk.');
        }
        $room = LiveRoom::at($webinar, $session);
        if ($room->room->state($now) !== RoomState::On) {
            throw Invalid::at('act', 'The offer can be shown while the session is on.');
        }
        // Shown again after it was hidden, it keeps the moment at which it first appeared.
        $row->forceFill(['offer_second' => $row->offer_second ?? ($webinar->offer->second !== null
            && $webinar->offer->second <= $room->room->second($now) ? null : $room->room->second($now)), 'offer_hidden' => false])->save();
    }

    private function cancel(WebinarSession $row, CarbonImmutable $now): int
    {
        if ($row->ended_at !== null || ($row->begun_at === null && $row->ends_at < $now)) {
            throw Invalid::at('act', 'It is over: there is nothing left to cancel.');
        }

        return $this->registering->callOff($row, $now);
    }

    /** @return array<string, mixed> what the host sees of the room now */
    public static function shown(Webinar $webinar, Session $session, CarbonImmutable $now): array
    {
        $room = LiveRoom::at($webinar, $session);

        return ['state' => $room->room->isCancelled() ? 'cancelled' : $room->room->state($now)->value,
            'begun' => $room->row?->begun_at !== null, 'second' => $room->room->second($now), 'length' => $room->room->length,
            'beginsIn' => $room->room->beginsIn($now), 'here' => Presence::here($webinar->id, $session->key, $now),
            'offerAt' => $room->room->offerAt(), 'offerHidden' => $room->row->offer_hidden ?? false,
            'offerShown' => $room->room->offerAt() !== null && $room->room->state($now) === RoomState::On
                && $room->room->second($now) >= $room->room->offerAt(),
            'questions' => DB::table('room_questions')->leftJoin('people', 'people.id', '=', 'room_questions.person_id')
                ->where('room_questions.webinar_id', $webinar->id)->where('room_questions.session_key', $session->key)
                ->orderByDesc('room_questions.id')->limit(200)->get(['room_questions.id', 'words', 'state', 'answer', 'second',
                    'asked_at', 'people.first_name', 'people.last_name', 'people.id as person'])->all(),
            'polls' => Polls::all($webinar->id, $session->key)];
    }
}
