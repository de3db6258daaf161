<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Attention\Intervals;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Webinars\AttendanceOutcome;

/** What they have seen of a webinar, and what became of them in it. */
final readonly class Seat
{
    use Rebuilt;

    /**
     * @param  Intervals  $live  seconds seen of the session itself; likewise of the `replay`
     * @param  list<AttendanceOutcome>  $told
     * @param  bool  $open  is it not settled yet what became of the session?
     */
    public function __construct(public Intervals $live, public Intervals $replay, public array $told = [], public bool $open = true)
    {
    }

    public static function taken(): self
    {
        return new self(Intervals::nothing(), Intervals::nothing());
    }

    public function watched(bool $replay, int $from, int $until): self
    {
        $more = Intervals::of([[$from, $until]]);

        return $replay ? $this->changed(replay: $this->replay->and($more)) : $this->changed(live: $this->live->and($more));
    }

    public function told(AttendanceOutcome $outcome): self
    {
        return $this->changed(told: [...$this->told, $outcome]);
    }

    public function settled(): self
    {
        return $this->changed(open: false);
    }
}
