<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use DateTimeImmutable;
use DateTimeZone;

/**
 * What came of those who joined in the same week, after one, two, four and eight weeks each: counted from the moment of each one's own
 * joining, and told only once that time is over for all of them. What is still to come is null and never nothing.
 */
final class Cohorts
{
    /** After so many weeks. */
    public const AGES = [1, 2, 4, 8];

    /**
     * @param  array<string, DateTimeImmutable>  $joined  when each person joined first
     * @param  list<array{person: string, at: DateTimeImmutable, amount: int}>  $paid  money that came in, and went back where it is below
     *     nothing; a purchase for nothing counts as one as well
     * @param  array<string, DateTimeImmutable>  $left  when each person unsubscribed
     * @return list<array{week: string, people: int, after: array<int, array{buyers: int, revenue: int, left: int}|null>}> by the Monday of
     *     the week in the owner's zone, the latest first; `after` by weeks
     */
    public static function of(array $joined, array $paid, array $left, DateTimeZone $zone, DateTimeImmutable $now): array
    {
        $weeks = [];
        foreach ($joined as $person => $at) {
            $weeks[self::monday($at, $zone)][] = (string) $person;
        }
        krsort($weeks);
        $paidBy = [];
        foreach ($paid as $p) {
            $paidBy[$p['person']][] = $p;
        }
        $cohorts = [];
        foreach ($weeks as $monday => $people) {
            $ends = (new DateTimeImmutable((string) $monday, $zone))->modify('+7 days');
            $after = [];
            foreach (self::AGES as $age) {
                $after[$age] = $ends->modify("+{$age} weeks") > $now ? null : self::after($people, $joined, $paidBy, $left, $age);
            }
            $cohorts[] = ['week' => (string) $monday, 'people' => count($people), 'after' => $after];
        }

        return $cohorts;
    }

    /**
     * @param  list<string>  $people
     * @param  array<string, DateTimeImmutable>  $joined
     * @param  array<string, list<array{person: string, at: DateTimeImmutable, amount: int}>>  $paidBy
     * @param  array<string, DateTimeImmutable>  $left
     * @return array{buyers: int, revenue: int, left: int}
     */
    private static function after(array $people, array $joined, array $paidBy, array $left, int $age): array
    {
        $sums = ['buyers' => 0, 'revenue' => 0, 'left' => 0];
        foreach ($people as $person) {
            $until = $joined[$person]->modify("+{$age} weeks");
            // Who had bought or left before they joined did not do it because of it.
            $within = fn (DateTimeImmutable $at): bool => $at >= $joined[$person] && $at < $until;
            $theirs = array_filter($paidBy[$person] ?? [], fn (array $p): bool => $within($p['at']));
            $sums['buyers'] += array_filter($theirs, fn (array $p): bool => $p['amount'] >= 0) === [] ? 0 : 1;
            $sums['revenue'] += array_sum(array_column($theirs, 'amount'));
            $sums['left'] += isset($left[$person]) && $within($left[$person]) ? 1 : 0;
        }

        return $sums;
    }

    private static function monday(DateTimeImmutable $at, DateTimeZone $zone): string
    {
        return $at->setTimezone($zone)->modify('monday this week')->format('Y-m-d');
    }
}
