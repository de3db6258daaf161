<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Webinars\Registrations\RegisteredSessions;
use DateTimeImmutable;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\Replay;
use Lantern\Core\Webinars\ReplayState;
use Lantern\Core\Webinars\ReplayWindow;
use Lantern\Core\Webinars\Webinar;

/** How the replay of a webinar stands for somebody. */
final class Replays
{
    public static function state(Webinar $webinar, Registration $registration, DateTimeImmutable $now): ReplayState
    {
        return self::replay($webinar, $registration)?->state($registration->session(), $registration->session()->zone, $webinar->zone(),
            self::outcomes($registration), $now) ?? ReplayState::Closed;
    }

    public static function mayBeTold(Webinar $webinar, Registration $registration, DateTimeImmutable $now): bool
    {
        return self::replay($webinar, $registration)?->mayBeTold($registration->session(), $registration->session()->zone,
            $webinar->zone(), self::outcomes($registration), $now, Presence::AWAY) ?? false;
    }

    private static function replay(Webinar $webinar, Registration $registration): ?Replay
    {
        return $registration->state === Registration::REGISTERED ? $webinar->replay : null;
    }

    /** @return list<AttendanceOutcome> */
    private static function outcomes(Registration $registration): array
    {
        return $registration->attended_at === null ? [] : [AttendanceOutcome::Attended];
    }

    public static function window(Webinar $webinar, Registration $registration): ?ReplayWindow
    {
        return RegisteredSessions::of($webinar, $registration)->replay;
    }
}
