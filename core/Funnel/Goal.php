<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

/** What a funnel is for. Each goal has a starter. */
enum Goal: string
{
    case GiveAway = 'give-away';
    case WaitingList = 'waiting-list';
}
