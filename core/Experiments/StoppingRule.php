<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** When a test is called, as it is set before it begins. */
final readonly class StoppingRule
{
    /** In at most so many of all tests without a difference a winner is named, however often one looks. */
    public const MISTAKEN = 0.05;

    /** A week has all its days. */
    public const LEAST_DAYS = 7;

    /** Fewer who reached the goal say nothing. */
    public const LEAST_REACHED = 20;

    /** A loss of less than this share of what is gained anyway is one that nobody need mind. */
    public const NOT_WORTH_MINDING = 0.01;

    /**
     * @param  float  $expected  the rate that was expected before it began
     * @param  float  $typical  what a buyer typically pays, in the unit of what is bought; for a test of revenue
     * @param  int  $mostDays  after which nobody waits any longer
     */
    public function __construct(public float $expected, public float $typical = 0.0, public int $mostDays = 56)
    {
    }
}
