<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/**
 * What a source cost and what it brought. What is not known is null and never nothing: a source without a typed cost may have cost
 * anything, and what nobody has done has no price each.
 */
final readonly class Cost
{
    /**
     * @param  int|null  $spent  in smallest units; null where nothing is typed
     * @param  int  $revenue  net of refunds, in the same currency
     */
    public function __construct(
        public ?int $spent,
        public int $visitors,
        public int $leads,
        public int $customers,
        public int $revenue,
    ) {
    }

    public function perVisitor(): ?int
    {
        return self::each($this->spent, $this->visitors);
    }

    public function perLead(): ?int
    {
        return self::each($this->spent, $this->leads);
    }

    public function perCustomer(): ?int
    {
        return self::each($this->spent, $this->customers);
    }

    public function revenuePerLead(): ?int
    {
        return self::each($this->revenue, $this->leads);
    }

    /** How many times over it came back: 1 is even. Nothing where nothing was spent. */
    public function timesBack(): ?float
    {
        return $this->spent === null || $this->spent === 0 ? null : $this->revenue / $this->spent;
    }

    public function profit(): ?int
    {
        return $this->spent === null ? null : $this->revenue - $this->spent;
    }

    /**
     * The share of an amount that falls into a period, by whole days: an amount is spread evenly over its days.
     *
     * @param  int  $amount  in smallest units
     */
    public static function within(int $amount, Period $spread, Period $period): int
    {
        $days = $spread->length();
        $shared = 0;
        foreach ($spread->days() as $day) {
            $shared += $day >= $period->from && $day <= $period->to ? 1 : 0;
        }

        // Rounded once, half away from nothing, as all money is.
        return (int) round($amount * $shared / $days);
    }

    /**
     * The first day on which what came in since the first of them reaches what was spent up to then and after; null while it has not.
     *
     * @param  array<string, int>  $revenue  by day, in order
     */
    public static function breakEven(?int $spent, array $revenue): ?string
    {
        if ($spent === null || $spent <= 0) {
            return null;
        }
        $sum = 0;
        foreach ($revenue as $day => $amount) {
            $sum += $amount;
            if ($sum >= $spent) {
                return (string) $day;
            }
        }

        return null;
    }

    private static function each(?int $amount, int $of): ?int
    {
        return $amount === null || $of === 0 ? null : (int) round($amount / $of);
    }
}
