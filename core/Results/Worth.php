<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/** What one who takes a step brings on average: sign-ups, and money in the smallest unit of the funnel's currency. */
final readonly class Worth
{
    private function __construct(public float $signups, public float $money)
    {
    }

    /**
     * The sign-ups and the money of a page and of all it leads to, shared among those who went on. What follows by email from those who
     * left their address follows as well, though nobody walks there by a way. Never more than one sign-up or one average order.
     *
     * @param  int  $did  who went on from the page
     * @param  int  $signups  of the page and of all it leads to
     * @param  int  $money  likewise, less what went back
     * @param  int  $allSignups  of the whole funnel
     * @param  int  $allOrders  likewise
     * @param  int  $allMoney  likewise, less what went back
     */
    public static function ofPage(int $did, int $signups, int $money, int $allSignups, int $allOrders, int $allMoney): self
    {
        if ($did < 1) {
            return new self(0.0, 0.0);
        }
        $each = min(1.0, $signups / $did);
        $later = $allSignups === 0 || $signups === 0 ? 0.0 : $allMoney / $allSignups;
        $average = $allOrders === 0 ? 0.0 : $allMoney / $allOrders;

        return new self($each, max(0.0, min($average, max($money / $did, $each * $later))));
    }

    /** All that came in, shared among those who took a step; never more than one average order, as nobody pays twice for it. */
    public static function shared(int $did, int $allOrders, int $allMoney): self
    {
        $money = max(0, $allMoney);

        return new self(0.0, $did < 1 || $allOrders < 1 ? 0.0 : min($money / $did, $money / $allOrders));
    }
}
