<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Models\WebinarSession;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Attention\Intervals;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\Attendee;
use Lantern\Core\Webinars\HostActs;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionRoom;
use Lantern\Core\Webinars\WatchKind;
use Lantern\Core\Webinars\Webinar;
use LogicException;

/** Loads the room of one session with what its host has done in it, and whoever is in it. */
final readonly class LiveRoom
{
    private function __construct(public SessionRoom $room, public ?WebinarSession $row, public ?RoomFacts $facts = null)
    {
    }

    /** The room that somebody is registered for. */
    public static function of(Registration $registration): self
    {
        $facts = RoomFacts::of($registration) ?? throw new LogicException('The webinar of a registration is in its version.');

        return self::at($facts->webinar, $registration->session(), $facts);
    }

    public static function at(Webinar $webinar, Session $session, ?RoomFacts $facts = null): self
    {
        $row = $session->isOnDemand() ? null : WebinarSession::query()->where('webinar_id', $webinar->id)
            ->where('session_key', $session->key)->first();

        return new self(SessionRoom::of($webinar, $session, $row === null ? new HostActs : self::acts($row), Lengths::seconds($webinar)),
            $row, $facts);
    }

    public static function acts(WebinarSession $row): HostActs
    {
        return new HostActs($row->begun_at, $row->ended_at, $row->cancelled_at !== null, $row->offer_second, $row->offer_hidden);
    }

    public function attendee(Registration $registration): Attendee
    {
        $told = array_values(array_filter(AttendanceOutcome::cases(),
            fn (AttendanceOutcome $o): bool => $registration->getAttribute(self::column($o)) !== null));

        return new Attendee($this->room, $registration->state, $registration->open !== null,
            self::watched($registration->id, WatchKind::Live), self::watched($registration->id, WatchKind::Replay), $told);
    }

    /** @return Intervals what somebody has seen on all their devices */
    private static function watched(string $registration, WatchKind $kind): Intervals
    {
        $all = Intervals::nothing();
        foreach (DB::table('room_devices')->where('registration_id', $registration)->where('kind',
            $kind->value)->pluck('intervals') as $json) {
            $all = $all->and(Presence::read((string) $json));
        }

        return $all;
    }

    /** The column that says when an outcome came true for somebody. */
    public static function column(AttendanceOutcome $outcome): string
    {
        return str_replace('-', '_', $outcome->value).'_at';
    }
}
