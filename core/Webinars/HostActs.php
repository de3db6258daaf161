<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;

/** What the host of a session has done in it. */
final readonly class HostActs
{
    /**
     * @param  DateTimeImmutable|null  $begunAt  when the host began it; likewise `endedAt`
     * @param  bool  $cancelled  was the session called off?
     * @param  int|null  $offerSecond  the second at which the host showed the offer by hand
     * @param  bool  $offerHidden  was it taken out of sight?
     */
    public function __construct(
        public ?DateTimeImmutable $begunAt = null,
        public ?DateTimeImmutable $endedAt = null,
        public bool $cancelled = false,
        public ?int $offerSecond = null,
        public bool $offerHidden = false,
    ) {
    }
}
