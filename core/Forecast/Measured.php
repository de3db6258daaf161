<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

/** What a forecast is of. */
enum Measured: string
{
    case Signups = 'signups';
    case Sales = 'sales';
    /** In the smallest units of the funnel's currency. */
    case Money = 'money';
    /** Emails of its sequences that go out. */
    case Emails = 'emails';
}
