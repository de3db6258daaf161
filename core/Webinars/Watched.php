<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/**
 * Which seconds of a video or a session somebody has really seen, as intervals that do not touch: whatever is played twice, on two
 * devices, or reported twice or in another order, counts once.
 */
final readonly class Watched
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
