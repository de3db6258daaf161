<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use Lantern\Core\Attention\Intervals;

/** How many were there over the time of a session, from the seconds that each has seen. */
final readonly class Curve
{
    /** So many points at most, whatever the length. */
    public const MOST = 120;

    /**
     * @param  int  $step  seconds from one point to the next
     * @param  list<int>  $counts  people who were there at each point, the first at second 0
     */
    private function __construct(public int $step, public array $counts)
    {
    }

    /**
     * @param  iterable<Intervals>  $people  what each person has seen
     * @param  int  $length  of the session, in seconds
     */
    public static function of(iterable $people, int $length): self
    {
        $step = max(1, (int) ceil($length / self::MOST));
        $points = $length <= 0 ? 0 : intdiv($length - 1, $step) + 1;
        // Who comes and who goes at each point; the sum of both is who is there.
        $changes = array_fill(0, $points + 1, 0);
        foreach ($people as $watched) {
            $last = -1;
            foreach ($watched->intervals as [$from, $until]) {
                // A point counts if its own second was seen: the first at or after the beginning, up to the last before the end.
                $first = max($last + 1, intdiv($from + $step - 1, $step));
                $end = min($points - 1, intdiv($until - 1, $step));
                if ($first <= $end) {
                    $changes[$first]++;
                    $changes[$end + 1]--;
                    $last = $end;
                }
            }
        }
        $counts = [];
        $there = 0;
        for ($i = 0; $i < $points; $i++) {
            $there += $changes[$i];
            $counts[] = $there;
        }

        return new self($step, $counts);
    }

    public function most(): int
    {
        return $this->counts === [] ? 0 : max($this->counts);
    }
}
