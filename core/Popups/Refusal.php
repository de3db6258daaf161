<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** The rules that can keep a pop-up from being shown, in the order in which they are asked. */
enum Refusal: string
{
    case Off = 'off';
    case NotYet = 'not-yet';
    case Over = 'over';
    case Hours = 'hours';
    case QuietPage = 'quiet-page';
    case Page = 'page';
    case Trigger = 'trigger';
    case Device = 'device';
    case Visitors = 'visitors';
    case Source = 'source';
    case Language = 'language';
    case Joined = 'joined';
    case Person = 'person';
    case Bought = 'bought';
    case FromEmail = 'from-email';
    case JoinedNow = 'joined-now';
    case Visit = 'visit';
    case Closed = 'closed';
    case Once = 'once';
    case Most = 'most';
    case Again = 'again';
    case SameView = 'same-view';
    case Apart = 'apart';
}
