<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

/** What somebody does at an address. */
enum PageAct
{
    /** Looks at the page. */
    case Look;
    /** Sends a form of it. */
    case Form;
    /** Sends its checkout, or says yes to an extra offer. */
    case Buy;
    /** Says no to an extra offer: that leads on, whatever has run out meanwhile. */
    case Decline;
}
