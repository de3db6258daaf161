<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

/** Whether a funnel is public. */
enum FunnelState: string
{
    case Draft = 'draft';
    case Live = 'live';
    /** Was live; its links lead to its closed page. */
    case Closed = 'closed';
}
