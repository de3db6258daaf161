<?php

declare(strict_types=1);

namespace Lantern\Core\Attention;

/** A report of somebody's device: from one second to another it has played, or shown something that was looked at. */
final readonly class Report
{
    /** Seconds that a report may be off: what was under way when the first one went, and clocks that differ a little. */
    public const SLACK = 20;

    /**
     * @param  int  $from  a second of the video or the session, likewise `until`, not included
     */
    public function __construct(public int $from, public int $until)
    {
    }

    /**
     * What of it is believed. Nobody can have played for longer than their device has been there, nor seen what is yet to come; what
     * is reported for a year, from before the beginning or beyond the end is cut to what can be.
     *
     * @param  int  $here  seconds since the device was first heard of in this room
     * @param  int  $before  different seconds that this device has been believed already
     * @param  int  $reached  the second that the session has come to, or the length of what may be played at any time
     */
    public function believed(int $here, int $before, int $reached): Intervals
    {
        $from = max(0, $this->from);
        $until = min($this->until, $reached + self::SLACK);
        $most = max(0, $here + self::SLACK - $before);

        // The latest of it: what was played longest ago has most likely been reported before.
        return Intervals::of([[max($from, $until - $most), $until]]);
    }
}
