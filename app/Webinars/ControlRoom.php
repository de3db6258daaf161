<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Funnel;
use App\Models\WebinarSession;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Webinars\HostCheck;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;

/** What the host does in the live hour. Everything can be taken back while the session is fresh. */
final readonly class ControlRoom
{
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
            if ($webinar->mode === WebinarMode::Automated && ! in_array($act, ['cancel', 'offer', 'hide-offer'], true)) {
                throw Invalid::at('act', 'A recording begins and ends by itself.');
            }
            match ($act) {
                'begin' => $this->begin($row, $session, $now),
                'unbegin' => $row->forceFill(['begun_at' => null, 'offer_second' => null])->save(),
                'end' => $this->end($row, $now),
                'reopen' => $this->reopen($row, $now),
                'offer' => $this->offer($row, $webinar, $session, $now),
                'hide-offer' => $row->forceFill(['offer_hidden' => true])->save(),
                'cancel' => null,
                default => throw Invalid::at('act', 'There is nothing like that to do in a room.'),
            };

            return $act === 'cancel' ? $this->cancel($row, $session, $now) : 0;
        });
    }

    private function begin(WebinarSession $row, Session $session, CarbonImmutable $now): void
    {
        self::refuse(HostCheck::begin($session, LiveRoom::acts($row), $now));
        $row->forceFill(['begun_at' => $now])->save();
    }

    private function end(WebinarSession $row, CarbonImmutable $now): void
    {
        self::refuse(HostCheck::end(LiveRoom::acts($row)));
        $row->forceFill(['ended_at' => $now])->save();
        AttendanceResults::soon($row, $now);
    }

    private function reopen(WebinarSession $row, CarbonImmutable $now): void
    {
        $settled = DB::table('registrations')->where('webinar_id', $row->webinar_id)->where('session_key', $row->session_key)
            ->whereNotNull('settled_at')->exists();
        self::refuse(HostCheck::reopen(LiveRoom::acts($row), $settled, $now));
        $row->forceFill(['ended_at' => null])->save();
    }

    private function offer(WebinarSession $row, Webinar $webinar, Session $session, CarbonImmutable $now): void
    {
        $room = LiveRoom::at($webinar, $session)->room;
        self::refuse(HostCheck::offer($room, $now));
        $row->forceFill(['offer_second' => HostCheck::offerSecond($room, LiveRoom::acts($row), $now), 'offer_hidden' => false])->save();
    }

    private function cancel(WebinarSession $row, Session $session, CarbonImmutable $now): int
    {
        self::refuse(HostCheck::cancel($session, LiveRoom::acts($row), $now));

        return $this->registering->callOff($row, $now);
    }

    /** @throws Invalid with the sentence that says why it cannot be done */
    private static function refuse(?string $why): void
    {
        if ($why !== null) {
            throw Invalid::at('act', $why);
        }
    }

    /** @return array<string, mixed> what the host sees of the room now */
    public static function shown(Webinar $webinar, Session $session, CarbonImmutable $now): array
    {
        $room = LiveRoom::at($webinar, $session);

        return ['state' => $room->room->isCancelled() ? 'cancelled' : $room->room->state($now)->value,
            'begun' => $room->row?->begun_at !== null, 'second' => $room->room->second($now), 'length' => $room->room->length,
            'beginsIn' => $room->room->beginsIn($now), 'here' => Presence::here($webinar->id, $session->key, $now),
            'offerAt' => $room->room->offerAt(), 'offerHidden' => $room->row->offer_hidden ?? false,
            'offerShown' => $room->room->showsOffer($now),
            'questions' => DB::table('room_questions')->leftJoin('people', 'people.id', '=', 'room_questions.person_id')
                ->where('room_questions.webinar_id', $webinar->id)->where('room_questions.session_key', $session->key)
                ->orderByDesc('room_questions.id')->limit(200)->get(['room_questions.id', 'words', 'state', 'answer', 'second',
                    'asked_at', 'people.first_name', 'people.last_name', 'people.id as person'])->all(),
            'polls' => Polls::all($webinar->id, $session->key)];
    }
}
