<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** When the sessions of a webinar are. */
enum ScheduleKind: string
{
    /** On days that the host names. */
    case Dates = 'dates';
    /** Every week or month. */
    case Recurring = 'recurring';
    /** At the next quarter, half or full hour, for whoever registers now. */
    case Soon = 'soon';
    /** Whenever somebody comes, for that person alone. */
    case OnDemand = 'on-demand';

    public function label(): string
    {
        return match ($this) {
            self::Dates => 'On certain dates',
            self::Recurring => 'Every week or month',
            self::Soon => 'Soon after registering',
            self::OnDemand => 'At any time',
        };
    }
}
