<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** How a webinar is held. */
enum WebinarMode: string
{
    /** The host speaks while it is seen. */
    case Live = 'live';
    /** A recording is played by the clock of the session, and never called live. */
    case Automated = 'automated';

    public function label(): string
    {
        return match ($this) {
            self::Live => 'Held live',
            self::Automated => 'Played from a recording',
        };
    }
}
