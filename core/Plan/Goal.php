<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

/** What a funnel is for. Each goal has a starter; one of one's own begins empty. */
enum Goal: string
{
    case GiveAway = 'give-away';
    case LongOptIn = 'long-opt-in';
    case WaitingList = 'waiting-list';
    case VideoSeries = 'video-series';
    case Webinar = 'webinar';
    case Sell = 'sell';
    case Launch = 'launch';
    case Form = 'form';
    case Own = 'own';

    /** Does it give a file away? */
    public function hasLeadMagnet(): bool
    {
        return $this === self::GiveAway || $this === self::LongOptIn;
    }
}
