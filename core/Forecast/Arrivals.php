<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

use Lantern\Core\Statistics\Dice;

/** How many come on each day: those of past weeks, and what is to be expected of weeks to come. */
final readonly class Arrivals
{
    /** @param  list<int>  $days  so many came on each of the past days, in whole weeks, the last one yesterday */
    public function __construct(public array $days)
    {
    }

    public function total(): int
    {
        return array_sum($this->days);
    }

    /** On a day before today: 1 is yesterday. */
    public function ago(int $days): int
    {
        return $this->days[count($this->days) - $days] ?? 0;
    }

    /**
     * Weeks to come as past ones were: each is one of them, whole, so that weekdays stay what they are. Which of them are typical is itself
     * uncertain, so that those that are taken from are drawn first.
     *
     * @return list<int> one for each day from today on
     */
    public function draw(Dice $dice, int $weeks): array
    {
        $past = array_chunk($this->days, 7);
        if ($past === []) {
            return array_fill(0, $weeks * 7, 0);
        }
        $typical = array_map(fn (array $ignored): array => $past[$dice->below(count($past))], $past);
        $days = [];
        for ($week = 0; $week < $weeks; $week++) {
            array_push($days, ...$typical[$dice->below(count($typical))]);
        }

        return $days;
    }
}
