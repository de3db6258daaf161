<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

/** What a funnel is judged by: that of which its goal wants more. */
enum Success: string
{
    case Signups = 'signups';
    case Registrations = 'registrations';
    case Sales = 'sales';

    public static function of(Goal $goal): self
    {
        return match ($goal) {
            Goal::Webinar => self::Registrations,
            Goal::Sell, Goal::Launch => self::Sales,
            Goal::GiveAway, Goal::LongOptIn, Goal::WaitingList, Goal::VideoSeries, Goal::Form, Goal::Own => self::Signups,
        };
    }
}
