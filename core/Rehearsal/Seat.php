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
     * @param  list<AttendanceOutcome>  $earlier  what became of them in sessions that they had before this one
     */
    public function __construct(public Intervals $live, public Intervals $replay, public array $told = [], public bool $open = true,
        public array $earlier = [])
    {
    }

    /** @param  self|null  $before  the one they had */
    public static function taken(?self $before): self
    {
        return new self(Intervals::nothing(), Intervals::nothing(), earlier: [...$before->earlier ?? [], ...$before->told ?? []]);
    }

    /** @return list<string> what became of them in this session, see {@see \Lantern\Core\Rules\WebinarRule::STATES} */
    public function became(bool $waits): array
    {
        return [...($this->open && ! $waits ? ['registered'] : []), ...self::names($this->told)];
    }

    /** @return list<string> the same for any session that they have had */
    public function ever(bool $waits): array
    {
        return array_values(array_unique([...$this->became($waits), ...self::names($this->earlier)]));
    }

    /**
     * @param  list<AttendanceOutcome>  $outcomes
     * @return list<string>
     */
    private static function names(array $outcomes): array
    {
        return array_map(fn (AttendanceOutcome $o): string => $o->value, $outcomes);
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
