<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Webinars\Registrations\Bookings;
use DateTimeImmutable;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\ReplayState;
use Lantern\Core\Webinars\ReplayWindow;
use Lantern\Core\Webinars\Webinar;

/** How the replay of a webinar stands for somebody. */
final class Replays
{
    public static function state(Webinar $webinar, Registration $registration, DateTimeImmutable $now): ReplayState
    {
        if ($webinar->replay === null || $registration->state !== Registration::REGISTERED) {
            return ReplayState::Closed;
        }

        return $webinar->replay->state($registration->session(), $registration->session()->zone, $webinar->zone(),
            $registration->attended_at === null ? [] : [AttendanceOutcome::Attended], $now);
    }

    /** May it be played now, or until so recently that a device still tells of it? Nothing else of it is believed, and nothing told. */
    public static function mayBeTold(Webinar $webinar, Registration $registration, DateTimeImmutable $now): bool
    {
        return self::state($webinar, $registration, $now) === ReplayState::Open
            || self::state($webinar, $registration, $now->modify('-'.Presence::AWAY.' seconds')) === ReplayState::Open;
    }

    public static function window(Webinar $webinar, Registration $registration): ?ReplayWindow
    {
        return Bookings::of($webinar, $registration)->replay;
    }
}
