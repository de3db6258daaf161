<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;

/** From when until when somebody can watch the replay; both in UTC. It is open at its first moment, and over at its last. */
final readonly class ReplayWindow
{
    /** @param  DateTimeImmutable|null  $endsAt  null where it has no end */
    public function __construct(public DateTimeImmutable $opensAt, public ?DateTimeImmutable $endsAt)
    {
    }

    public function state(DateTimeImmutable $now): ReplayState
    {
        return match (true) {
            $this->endsAt !== null && $now >= $this->endsAt => ReplayState::Over,
            $now < $this->opensAt => ReplayState::Soon,
            default => ReplayState::Open,
        };
    }
}
