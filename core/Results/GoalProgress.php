<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;

/** How far a goal that was written down has come by a moment. */
final readonly class GoalProgress
{
    private function __construct(public int $wanted, public int $reached, public bool $ahead, public bool $over, public int $days)
    {
    }

    /**
     * @param  DateTimeImmutable  $since  when it was written down
     * @param  DateTimeImmutable  $ends  when its last day is over
     */
    public static function of(int $wanted, int $reached, DateTimeImmutable $since, DateTimeImmutable $ends, DateTimeImmutable $now): self
    {
        $all = max(1, $ends->getTimestamp() - $since->getTimestamp());
        $gone = min(1.0, max(0.0, ($now->getTimestamp() - $since->getTimestamp()) / $all));

        return new self($wanted, $reached, $reached >= $wanted * $gone, $now >= $ends,
            max(0, (int) ceil(($ends->getTimestamp() - $now->getTimestamp()) / 86_400)));
    }

    /** Up to which moment what is reached counts: not beyond the last day. */
    public static function counts(DateTimeImmutable $ends, DateTimeImmutable $now): DateTimeImmutable
    {
        return min($ends, $now);
    }

    /**
     * A last day as it was typed.
     *
     * @throws Invalid when it is none, or over
     */
    public static function lastDay(string $typed, DateTimeImmutable $now, DateTimeZone $zone): string
    {
        $day = Period::between($typed, $typed);
        if ($day->ends($zone) <= $now) {
            throw Invalid::at('until', 'That day is over. Please choose one that is to come.');
        }

        return $typed;
    }
}
