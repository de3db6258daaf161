<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/**
 * One piece of a count. Pieces can be added up over days, also those of who came, each once: a visitor's piece for a day names the day
 * before it on which they came, and of a period those pieces count whose day before lies outside of it. So the sum over a period is
 * exactly how many different ones came in it, whatever the period.
 */
final readonly class Tally
{
    /**
     * @param  string  $page  an id; '' for the funnel as a whole
     * @param  string  $slice  of whom: '' for all, or an axis and its value, such as `first:newsletter`
     * @param  string  $day  YYYY-MM-DD in the owner's zone
     * @param  string  $before  the last day before it on which the same one was counted; '' for none, and for what is not each once
     * @param  string  $currency  of `amount`, where that is money
     * @param  int  $amount  money in smallest units; for {@see Measure::Took} the sum of {@see self::ofSeconds}
     */
    public function __construct(
        public Measure $measure,
        public string $page,
        public string $slice,
        public string $day,
        public string $before = '',
        public string $currency = '',
        public int $count = 1,
        public int $amount = 0,
    ) {
    }

    /** The same, taken away again. */
    public function taken(): self
    {
        return new self($this->measure, $this->page, $this->slice, $this->day, $this->before, $this->currency, -$this->count,
            -$this->amount);
    }

    /**
     * How long something took, as it is added up: thousandths of the natural logarithm, so that the mean of many is the typical time
     * (the geometric mean) and not that of the few who had tea in between.
     */
    public static function ofSeconds(int $seconds): int
    {
        return (int) round(1000 * log(max(1, $seconds)));
    }

    /** @return int|null the typical time in seconds; nothing of none */
    public static function seconds(int $sum, int $count): ?int
    {
        return $count <= 0 ? null : (int) round(exp($sum / $count / 1000));
    }

    /**
     * The pieces that one who is counted once a period adds.
     *
     * @param  list<string>  $days  on which they were counted already, in any order
     * @return list<self> none where that day is among them; where a later day is, its piece now names this one
     */
    public static function once(Measure $measure, string $page, string $slice, string $day, array $days): array
    {
        if (in_array($day, $days, true)) {
            return [];
        }
        $before = max(['', ...array_filter($days, fn (string $d): bool => $d < $day)]);
        $later = array_filter($days, fn (string $d): bool => $d > $day);
        $pieces = [new self($measure, $page, $slice, $day, $before)];
        if ($later !== []) {
            $next = min($later);
            $pieces[] = new self($measure, $page, $slice, $next, $before, count: -1);
            $pieces[] = new self($measure, $page, $slice, $next, $day);
        }

        return $pieces;
    }
}
