<?php

declare(strict_types=1);

namespace Lantern\Core\Automation;

/** Where chains of rules are stopped, for the case that they go round for ever although nothing in them says so beforehand. */
final class Limits
{
    /** Rules that follow from each other, each before a day has passed. */
    public const DEEPEST = 20;

    /** How often one rule acts for one person within an hour. */
    public const MOST_AN_HOUR = 20;

    /** Minutes after which what a rule waits for is no part of the chain any more. */
    public const CHAIN_MINUTES = 1440;

    /**
     * How many rules led to one that begins, it among them.
     *
     * @param  ?int  $cause  how many led to the one it follows from; null where it follows from none
     * @param  int  $waited  minutes the one it follows from had waited, in whole
     */
    public static function depth(?int $cause, int $waited): int
    {
        return $cause === null || $waited >= self::CHAIN_MINUTES ? 1 : $cause + 1;
    }

    /**
     * Why a rule does not act, in a sentence for its owner; null where it may.
     *
     * @param  int  $depth  how many rules led to it, one by the other
     * @param  int  $thisHour  how often it has acted for the person within the last hour, or is about to
     */
    public static function stop(int $depth, int $thisHour): ?string
    {
        return match (true) {
            $depth > self::DEEPEST => self::DEEPEST.' rules have followed from each other: it looks as if they went round for ever.',
            $thisHour >= self::MOST_AN_HOUR => 'It has acted '.self::MOST_AN_HOUR.' times for this person within an hour.',
            default => null,
        };
    }
}
