<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

/** Whether the deadlines of an offer let somebody buy it. */
enum OfferAccess
{
    case Open;
    case NotBegun;
    case Over;
}
