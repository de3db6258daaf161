<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

use DateTimeImmutable;
use Lantern\Core\Plan\FunnelState;

/** When a funnel that was published is open to visitors. */
final readonly class Opening
{
    /** Seconds. */
    public const MOST_SHARED = 10;

    /**
     * @param  bool  $published  is there a version of it that visitors may see, and is it in no archive?
     * @param  DateTimeImmutable|null  $opensAt  the first moment at which it is open; null for none
     * @param  DateTimeImmutable|null  $closesAt  the first moment at which it is not; null for none
     */
    public function __construct(
        public FunnelState $state,
        public bool $published = true,
        public ?DateTimeImmutable $opensAt = null,
        public ?DateTimeImmutable $closesAt = null,
    ) {
    }

    /** The clock decides, and nothing that would have to run at the moment. Before it opens it is early, also if it was closed by hand. */
    public function at(DateTimeImmutable $now): Openness
    {
        return match (true) {
            ! $this->published || $this->state === FunnelState::Draft => Openness::NotPublished,
            $this->opensAt !== null && $now < $this->opensAt => Openness::Early,
            $this->state === FunnelState::Closed || ($this->closesAt !== null && $now >= $this->closesAt) => Openness::Closed,
            default => Openness::Open,
        };
    }

    /** For how many seconds a cache may hold what an open funnel shows: a few, and never beyond the moment at which it closes. */
    public function sharedFor(DateTimeImmutable $now): int
    {
        return $this->closesAt === null ? self::MOST_SHARED
            : max(0, min(self::MOST_SHARED, $this->closesAt->getTimestamp() - $now->getTimestamp()));
    }
}
