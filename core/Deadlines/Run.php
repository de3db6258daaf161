<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;

/** A deadline as it runs, or ran, for somebody: what they were promised. It keeps its end whatever becomes of its definition. */
final readonly class Run
{
    /**
     * @param  DateTimeImmutable  $startedAt  in UTC, likewise `endsAt`, which is the first moment outside
     * @param  string  $why  what started it, and what was done to it since, in a sentence for the owner
     * @param  bool  $forAll  is it everybody's at once?
     * @param  bool  $ofOtherKind  did it begin while the deadline was of the other kind: personal, and now for everyone, or the other way?
     * @param  bool  $closed  was its end noticed? Then it is over, whatever a clock that was set back says.
     */
    public function __construct(
        public DateTimeImmutable $startedAt,
        public DateTimeImmutable $endsAt,
        public string $why = '',
        public bool $closed = false,
        public bool $forAll = false,
        public bool $ofOtherKind = false,
    ) {
    }

    /**
     * @param  int  $grace  minutes
     * @param  int  $lastStretch  minutes before its end
     */
    public function state(DateTimeImmutable $now, int $grace = 0, int $lastStretch = 0): DeadlineState
    {
        return match (true) {
            $this->closed || $now >= $this->endsAt->modify("+{$grace} minutes") => DeadlineState::Over,
            $now >= $this->endsAt => DeadlineState::Grace,
            $now >= $this->endsAt->modify("-{$lastStretch} minutes") => DeadlineState::LastStretch,
            default => DeadlineState::Running,
        };
    }

    /** The same as the one that everybody is in. */
    public function forEverybody(): self
    {
        return new self($this->startedAt, $this->endsAt, $this->why, $this->closed, true, $this->ofOtherKind);
    }

    /** What is left of it, in whole seconds; a second that has begun counts. */
    public function left(DateTimeImmutable $now): int
    {
        if ($this->closed) {
            return 0;
        }
        $micro = ((int) $this->endsAt->format('U') - (int) $now->format('U')) * 1_000_000
            + (int) $this->endsAt->format('u') - (int) $now->format('u');

        return max(0, intdiv($micro + 999_999, 1_000_000));
    }

    /** Does it still run, and is it over within so many hours? */
    public function endsWithin(int $hours, DateTimeImmutable $now): bool
    {
        return $this->endsAt > $now && $this->endsAt->modify("-{$hours} hours") <= $now;
    }
}
