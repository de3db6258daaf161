<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** What is expected of a split test before anybody has seen it: what its page brought so far, or what is usual. */
final readonly class Expected
{
    /** Fewer visitors say nothing of what to expect. */
    public const ENOUGH = 50;

    /** What a buyer pays where nobody has bought yet, in the smallest unit of the currency. */
    public const TYPICAL = 10_000;

    private function __construct(public float $rate, public int $typical)
    {
    }

    /**
     * @param  int  $visitors  of it so far: of an email, those whom it was sent to
     * @param  int  $reached  of them, who reached the goal
     * @param  int  $orders  how many orders there were
     * @param  int  $paid  what was paid for them, in the smallest unit of the currency
     */
    public static function of(TestGoal $goal, int $visitors, int $reached, int $orders, int $paid, Tested $of = Tested::Page): self
    {
        return new self($visitors < self::ENOUGH || $reached < 1 ? $of->usual($goal) : min(0.9, $reached / $visitors),
            $orders > 0 && $paid > 0 ? intdiv($paid, $orders) : self::TYPICAL);
    }
}
