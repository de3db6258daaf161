<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;

/** One session of a webinar. Everybody who has the same key is in the same room at its time. */
final readonly class Session
{
    /**
     * @param  string  $key  `s`, `w` or `n` with a moment, or `d`; see {@see Sessions}
     * @param  DateTimeImmutable  $startsAt  in UTC, likewise `endsAt`
     * @param  DateTimeZone  $zone  in which its time is told: the host's, or the visitor's own
     */
    public function __construct(
        public string $key,
        public DateTimeImmutable $startsAt,
        public DateTimeImmutable $endsAt,
        public DateTimeZone $zone,
    ) {
    }

    /** Does it begin whenever its person likes? */
    public function isOnDemand(): bool
    {
        return $this->key === 'd';
    }
}
