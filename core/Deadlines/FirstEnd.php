<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;

/** Of several deadlines that guard one thing: when the first of them ends, and whether one has ended. */
final readonly class FirstEnd
{
    private function __construct(public ?DateTimeImmutable $at, public bool $isOver)
    {
    }

    /** @param  array<Run>  $runs  of one person */
    public static function of(array $runs, DateTimeImmutable $now): self
    {
        $ends = array_map(fn (Run $run): DateTimeImmutable => $run->endsAt, $runs);

        return new self($ends === [] ? null : min($ends), array_filter($runs, fn (Run $run): bool => $run->state($now)->hasEnded()) !== []);
    }
}
