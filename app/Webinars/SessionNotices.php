<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Mail\Sending\Planner;
use App\Models\Registration;
use DateTimeImmutable;

/** Plans what people must know of their session: each change once. */
final class SessionNotices
{
    /**
     * @param  'place'|'cancelled'|'moved'|'again'  $what  there is a place, it was cancelled, it is at another time; or they have one
     *     already
     */
    public static function plan(Registration $registration, string $what, DateTimeImmutable $at): void
    {
        app(Planner::class)->planAboutSession($registration, $what, $at);
    }
}
