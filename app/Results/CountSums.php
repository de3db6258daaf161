<?php

declare(strict_types=1);

namespace App\Results;

use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Tally;
use stdClass;

/** How many and how much of each measure, as they are added up. */
final class CountSums
{
    /** @var array<string, int> by measure */
    private array $many = [];

    /** @var array<string, array<string, int>> by measure and currency */
    private array $much = [];

    /** @param  stdClass  $row  with `measure`, `currency`, `n` and `amount` */
    public function add(stdClass $row): void
    {
        $this->many[(string) $row->measure] = ($this->many[(string) $row->measure] ?? 0) + (int) $row->n;
        $sum = &$this->much[(string) $row->measure][(string) $row->currency];
        $sum = (int) $sum + (int) $row->amount;
    }

    public function plus(self $other, ?Measure $without = null): void
    {
        foreach ($other->many as $measure => $n) {
            if ($measure !== $without?->value) {
                $this->many[$measure] = ($this->many[$measure] ?? 0) + $n;
            }
        }
        foreach ($other->much as $measure => $byCurrency) {
            foreach ($byCurrency as $currency => $amount) {
                $sum = &$this->much[$measure][$currency];
                $sum = (int) $sum + $amount;
                unset($sum);
            }
        }
    }

    public function of(Measure $measure): int
    {
        return $this->many[$measure->value] ?? 0;
    }

    /** @return array<string, int> money that came in less what went back, in smallest units by currency, the most first */
    public function net(): array
    {
        $net = $this->much[Measure::Paid->value] ?? [];
        foreach ($this->much[Measure::Refunded->value] ?? [] as $currency => $amount) {
            $net[$currency] = ($net[$currency] ?? 0) - $amount;
        }
        arsort($net);

        return $net;
    }

    /** @return array<string, int> in smallest units, by currency */
    public function money(Measure $measure): array
    {
        return $this->much[$measure->value] ?? [];
    }

    /** @return int|null how long going on typically took, in seconds */
    public function took(): ?int
    {
        return Tally::seconds($this->much[Measure::Took->value][''] ?? 0, $this->of(Measure::Took));
    }
}
