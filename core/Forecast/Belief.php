<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

use Lantern\Core\Statistics\Dice;

/** What is believed of a rate: a beta distribution of what was counted, and of what is usual, which weighs as much as some people. */
final readonly class Belief
{
    /** No rate is taken for impossible or certain. */
    private const EDGE = 0.001;

    public float $mean;

    private float $yes;

    private float $no;

    /**
     * @param  int  $did  of those who could; never more than those are taken
     * @param  float  $usual  the rate where nothing was counted
     * @param  float  $weight  how many people it weighs as much as
     */
    public function __construct(int $did, int $could, float $usual, float $weight = 8)
    {
        $did = max(0, min($did, $could));
        $this->yes = $did + $usual * $weight;
        $this->no = max(0, $could) - $did + (1 - $usual) * $weight;
        $this->mean = self::within($this->yes / ($this->yes + $this->no));
    }

    /** One of the rates that it may be, the likelier the more it is believed. */
    public function draw(Dice $dice): float
    {
        return self::within($dice->beta($this->yes, $this->no));
    }

    private static function within(float $rate): float
    {
        return max(self::EDGE, min(1 - self::EDGE, $rate));
    }
}
