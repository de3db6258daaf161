<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/**
 * What each further field of a form costs in sign-ups, as far as an owner's own pages show it. Versions that asked for
 * different numbers of fields are compared: a line through their rates, each weighted by its visitors (least squares).
 * Fewer than a hundred visitors for a number of fields say nothing, and one number alone cannot be compared.
 */
final readonly class FieldCost
{
    public const ENOUGH = 100;

    /**
     * @param  float|null  $perField  by how much the rate changes with each further field, as a share (-0.04 is four percentage points
     *     less); nothing where it cannot be said
     */
    private function __construct(public ?float $perField, public int $missing)
    {
    }

    /** @param  array<int, array{visitors: int, signups: int}>  $byFields  by how many fields were asked for */
    public static function of(array $byFields): self
    {
        $enough = array_filter($byFields, fn (array $r): bool => $r['visitors'] >= self::ENOUGH);
        if (count($enough) < 2) {
            $most = max([0, ...array_map(fn (array $r): int => $r['visitors'], array_diff_key($byFields, $enough))]);

            return new self(null, count($enough) === 1 ? self::ENOUGH - min(self::ENOUGH, $most) : self::ENOUGH);
        }
        $weight = $x = $y = 0.0;
        foreach ($enough as $fields => $r) {
            $weight += $r['visitors'];
            $x += $r['visitors'] * $fields;
            $y += $r['signups'];
        }
        [$x, $y] = [$x / $weight, $y / $weight];
        $xy = $xx = 0.0;
        foreach ($enough as $fields => $r) {
            $xy += $r['visitors'] * ($fields - $x) * ($r['signups'] / $r['visitors'] - $y);
            $xx += $r['visitors'] * ($fields - $x) ** 2;
        }

        return new self($xy / $xx, 0);
    }

    /** One sentence for the owner, who is about to ask for so many fields; nothing where there is nothing to say. */
    public function words(int $fields): string
    {
        if ($this->perField === null) {
            return $fields < 2 ? ''
                : 'Each field asked for costs sign-ups, and often the address alone is best. How many it costs on your pages is said '
                    .'here once two forms with different numbers of fields have had '.self::ENOUGH.' visitors each.';
        }
        $points = number_format(abs($this->perField) * 100, 1);
        if (abs($this->perField) < 0.005) {
            return 'On your pages another field has cost next to nothing so far.';
        }

        return $this->perField > 0
            ? "On your pages forms with more fields did better so far, by {$points} percentage points a field. That may be luck, or "
                .'better visitors.'
            : "On your pages each further field has cost {$points} percentage points so far: of a hundred visitors, "
                .round(abs($this->perField) * 100).' fewer join.';
    }
}
