<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

/** What is said in place of a page. */
enum PageNotice
{
    case NotHere;
    case NotOpenYet;
    case Closed;
    /** It opens to those alone who have bought something. */
    case ForBuyers;
    /** The time that was set has run out, and its owner leads nowhere. */
    case TimeIsUp;
}
