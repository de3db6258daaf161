<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/** What is counted by page and day. A measure is a row of its own, so that a new one needs no new column. */
enum Measure: string
{
    case Views = 'views';
    /** Browsers that came: of any period each once, see {@see Tally}. */
    case Visitors = 'visitors';
    /** Browsers that went on from a page: by what it leads to, or to a page it leads to. Each once, like visitors. */
    case WentOn = 'went-on';
    /** How long going on took, with {@see Tally::ofSeconds}. */
    case Took = 'took';
    /** Forms whose address is still to be confirmed. */
    case Asked = 'asked';
    case Confirmed = 'confirmed';
    /** People who joined the funnel, each once. */
    case Signups = 'signups';
    case Downloads = 'downloads';
    /** Sessions that somebody came to and stayed in. */
    case Attended = 'attended';
    case Unsubscribed = 'unsubscribed';
    /** Purchases on a page, each once whatever is in it. */
    case Sales = 'sales';
    /** Orders that were bought, each once whatever was added to it. */
    case Orders = 'orders';
    /** Money that came in, on the day it came; how many payments it was. */
    case Paid = 'paid';
    /** Money that went back, likewise. */
    case Refunded = 'refunded';
    /** Clicks on a button or link of a page; by block as well. */
    case Clicks = 'clicks';
    /** Browsers that clicked on it, each once, like visitors; by block alone. */
    case Pressed = 'pressed';
    /** Views that went as far as a section and no further; by section. */
    case Read = 'read';
}
