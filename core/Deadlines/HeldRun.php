<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;

/**
 * How a deadline stands for somebody: the one place where it is said, for pages, checkouts, emails, rules and people alike. The rule
 * about people in SQL says the same ({@see \Lantern\Core\Rules\DeadlineRule}).
 */
final class HeldRun
{
    /**
     * What was promised under the other kind holds until it is over, and then counts for nothing more. Otherwise it is the run of the
     * kind that the deadline has now; of several, the one that began first.
     *
     * @param  list<Run>  $runs  all that are somebody's: their own, their browsers', and that for everyone
     */
    public static function of(array $runs, DateTimeImmutable $now): ?Run
    {
        usort($runs, fn (Run $a, Run $b): int => $a->startedAt <=> $b->startedAt);
        $kept = array_filter($runs, fn (Run $run): bool => $run->ofOtherKind && $run->state($now)->isRunning());
        $current = array_filter($runs, fn (Run $run): bool => ! $run->ofOtherKind);

        return array_values($kept)[0] ?? array_values($current)[0] ?? null;
    }
}
