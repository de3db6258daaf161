<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** Who may watch the replay. */
enum ReplayAudience: string
{
    case Registered = 'registered';
    /** Who has not seen as much of the session as counts as having attended. */
    case NotAttended = 'not-attended';
    case Attended = 'attended';

    public function label(): string
    {
        return match ($this) {
            self::Registered => 'Everybody who registered',
            self::NotAttended => 'Those who missed it or left early',
            self::Attended => 'Those who attended',
        };
    }

    /** @param  list<AttendanceOutcome>  $outcomes  of the session itself */
    public function has(array $outcomes): bool
    {
        return match ($this) {
            self::Registered => true,
            self::NotAttended => ! in_array(AttendanceOutcome::Attended, $outcomes, true),
            self::Attended => in_array(AttendanceOutcome::Attended, $outcomes, true),
        };
    }
}
