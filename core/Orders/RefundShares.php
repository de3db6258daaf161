<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Support\Invalid;

/** How a refund falls on the lines of an order and on its payments, to the last unit. */
final class RefundShares
{
    /**
     * By lines. An amount over several lines falls on them by what is left of each.
     *
     * @param  array<int, int>  $left  what can still be refunded of each line, by the line's number
     * @param  list<int>  $lines  numbers of the lines it is for; none means all
     * @param  int|null  $amount  null for all that is left of them
     * @return array<int, int> by the line's number; none of them zero
     *
     * @throws Invalid when there is nothing left, or less than the amount
     */
    public static function byLine(array $left, array $lines, ?int $amount, Currency $currency): array
    {
        $chosen = array_filter($lines === [] ? $left : array_intersect_key($left, array_flip($lines)), fn (int $l): bool => $l > 0);
        $all = array_sum($chosen);
        if ($all <= 0 || $chosen === []) {
            throw Invalid::at('lines', 'There is nothing left of it to refund.');
        }
        if ($amount !== null && ($amount <= 0 || $amount > $all)) {
            throw Invalid::at('amount', 'At most '.Money::of($all, $currency)->words().' can be refunded here.');
        }
        $shares = Money::of($amount ?? $all, $currency)->allocate(array_values($chosen));

        return array_filter(array_combine(array_keys($chosen), array_map(fn (Money $m): int => $m->minor, $shares)));
    }

    /**
     * By payments: each line's share comes out of the payments that were for it, from the last one backward.
     *
     * @param  array<string, array<int, int>>  $left  what can still be refunded of each payment for each line, by the payment's
     *     key and the line's number, in the order of paying
     * @param  array<int, int>  $byLine  the shares of the lines
     * @return array<string, array<int, int>> likewise, only of payments that something comes out of
     *
     * @throws Invalid when less is left than a share
     */
    public static function byPayment(array $left, array $byLine): array
    {
        $shares = [];
        foreach ($byLine as $line => $amount) {
            foreach (array_reverse($left, true) as $payment => $lines) {
                $share = min($lines[$line] ?? 0, $amount);
                if ($share > 0) {
                    $shares[$payment][$line] = $share;
                    $amount -= $share;
                }
            }
            if ($amount > 0) {
                throw Invalid::at('amount', 'More than was paid cannot be refunded.');
            }
        }

        return $shares;
    }
}
