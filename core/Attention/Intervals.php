<?php

declare(strict_types=1);

namespace Lantern\Core\Attention;

/**
 * Which seconds of something somebody has really attended to, as intervals that do not touch: whatever is played twice, on two
 * devices, or reported twice or in another order, counts once. Webinars and guides keep time by it.
 */
final readonly class Intervals
{
    /** @param  list<array{int, int}>  $intervals  from and until a second, the latter not included; in order, with room between them */
    private function __construct(public array $intervals)
    {
    }

    /** @param  list<array{int, int}>  $intervals  in any order, overlapping as they like; those that hold nothing are left out */
    public static function of(array $intervals): self
    {
        $given = array_values(array_filter($intervals, fn (array $i): bool => $i[1] > $i[0]));
        usort($given, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $merged = [];
        foreach ($given as [$from, $until]) {
            $last = count($merged) - 1;
            if ($last >= 0 && $from <= $merged[$last][1]) {
                $merged[$last] = [$merged[$last][0], max($merged[$last][1], $until)];
            } else {
                $merged[] = [$from, $until];
            }
        }

        return new self($merged);
    }

    /** As it was kept; what cannot be read of it is left out. */
    public static function read(mixed $kept): self
    {
        $read = [];
        foreach (is_array($kept) ? $kept : [] as $i) {
            if (is_array($i) && is_int($i[0] ?? null) && is_int($i[1] ?? null)) {
                $read[] = [$i[0], $i[1]];
            }
        }

        return self::of($read);
    }

    /** So many intervals at most: whoever jumps about more than that has the shortest gaps closed. */
    public function shortened(int $most): self
    {
        $intervals = $this->intervals;
        while (count($intervals) > max(1, $most)) {
            $gaps = array_map(fn (int $i): int => $intervals[$i + 1][0] - $intervals[$i][1], range(0, count($intervals) - 2));
            $at = (int) array_search(min($gaps), $gaps, true);
            array_splice($intervals, $at, 2, [[$intervals[$at][0], $intervals[$at + 1][1]]]);
        }

        return new self($intervals);
    }

    /** The same so many seconds later. */
    public function later(int $seconds): self
    {
        return new self(array_map(fn (array $i): array => [$i[0] + $seconds, $i[1] + $seconds], $this->intervals));
    }

    public static function nothing(): self
    {
        return new self([]);
    }

    public function and(self $other): self
    {
        return self::of([...$this->intervals, ...$other->intervals]);
    }

    public function seconds(): int
    {
        return array_sum(array_map(fn (array $i): int => $i[1] - $i[0], $this->intervals));
    }

    /** From 0 to 1, of something that is so many seconds long; 0 of what has no length. */
    public function share(int $length): float
    {
        return $length <= 0 ? 0.0 : min(1.0, $this->seconds() / $length);
    }

    /** The first second that was seen; null where nothing was. */
    public function first(): ?int
    {
        return $this->intervals[0][0] ?? null;
    }

    /** The second after the last one that was seen. */
    public function until(): ?int
    {
        return $this->intervals === [] ? null : $this->intervals[count($this->intervals) - 1][1];
    }
}
