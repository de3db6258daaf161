<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

/** What came of one made-up visitor, and what they decided by which rates. */
final class PlayedLife
{
    /** @var array<string, array{int, int}> how often they did and did not, by the key of the rate */
    public array $decided = [];

    /** @var list<array{int, Measured, int}> on which day from the beginning of the forecast, what, and how much */
    public array $came = [];

    public bool $joined = false;

    /** @param  int  $day  on which they came; before the forecast where it is less than 0 */
    public function __construct(public readonly int $day, public readonly int $kind)
    {
    }

    public function decides(string $key, bool $does): void
    {
        $known = $this->decided[$key] ?? [0, 0];
        $this->decided[$key] = $does ? [$known[0] + 1, $known[1]] : [$known[0], $known[1] + 1];
    }
}
