<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

/**
 * What becomes of the ways when a page comes or goes: the ways as they are afterwards, and what changed, in words.
 */
final readonly class Reconnection
{
    /**
     * @param  list<Way>  $ways
     * @param  list<string>  $sentences  one for each change an owner should know of
     */
    private function __construct(public array $ways, public array $sentences)
    {
    }

    /**
     * A page that was put in. The page before it leads to it when that page led nowhere, or led to the page that now
     * comes next; the new page's own main outcome leads on to that one. Ways that say no, and ways that skip, stay.
     *
     * @param  Plan  $plan  with the new page in its place, and the ways as they were without it
     */
    public static function added(Plan $plan, string $page): self
    {
        $at = self::position($plan, $page);
        $new = $plan->pages[$at] ?? null;
        if ($new === null) {
            return new self($plan->ways, []);
        }
        $before = $at > 0 ? $plan->pages[$at - 1] : null;
        $next = $plan->pages[$at + 1] ?? null;
        $main = $new->role->possibleOutcomes()[0] ?? null;
        $ways = $plan->ways;
        $sentences = [];
        $outcome = $before === null ? null : $before->role->possibleOutcomes()[0] ?? null;
        // A closed page stands outside of the way: nobody is led to it but by time.
        if ($before !== null && $outcome !== null && $new->role !== PageRole::Closed) {
            $old = $plan->way($before->id, $outcome);
            $leadsOn = $main !== null && $next !== null && $old !== null && $old->toPage === $next->id;
            if ($old === null || $leadsOn) {
                $ways = self::replace($ways, Way::toPage($before->id, $outcome, $new->id));
                $sentences[] = "{$outcome->whoFirst()} on “{$before->name}” now come to “{$new->name}”.";
            }
        }
        foreach ($new->role->outcomes() as $own) {
            if ($next !== null && $next->role !== PageRole::Closed) {
                $ways[] = Way::toPage($new->id, $own, $next->id);
                $sentences[] = "From “{$new->name}” {$own->who()} go on to “{$next->name}”.";
            }
        }

        return new self($ways, $sentences);
    }

    /**
     * A page that is removed. Whoever would have come to it is led to where its main outcome led; failing that, to
     * the page after it; failing that, the way ends and the go-live check says so.
     *
     * @param  Plan  $plan  still with the page
     */
    public static function removed(Plan $plan, string $page): self
    {
        $at = self::position($plan, $page);
        $gone = $plan->pages[$at] ?? null;
        if ($gone === null) {
            return new self($plan->ways, []);
        }
        $onward = null;
        foreach ($gone->role->possibleOutcomes() as $outcome) {
            $way = $plan->way($page, $outcome);
            if ($way !== null && $way->toPage !== $page) {
                $onward = $way;
                break;
            }
        }
        $next = $plan->pages[$at + 1] ?? null;
        $ways = [];
        $sentences = [];
        foreach ($plan->ways as $way) {
            if ($way->page === $page) {
                continue;
            }
            if ($way->toPage !== $page) {
                $ways[] = $way;

                continue;
            }
            $from = $plan->page($way->page)->name ?? '';
            $who = "{$way->outcome->whoFirst()} on “{$from}”";
            $target = $onward !== null && $onward->toPage !== $way->page ? $onward : null;
            if ($target !== null && $target->toUrl !== null) {
                $ways[] = Way::outside($way->page, $way->outcome, $target->toUrl);
                $sentences[] = "{$who} now go to {$target->toUrl}.";
            } elseif ($target !== null && $target->toPage !== null) {
                $ways[] = Way::toPage($way->page, $way->outcome, $target->toPage);
                $sentences[] = "{$who} now go to “".($plan->page($target->toPage)->name ?? '').'”.';
            } elseif ($next !== null && $next->id !== $way->page && $next->role !== PageRole::Closed) {
                $ways[] = Way::toPage($way->page, $way->outcome, $next->id);
                $sentences[] = "{$who} now go to “{$next->name}”.";
            } else {
                $sentences[] = "{$who} are now led nowhere: please choose where they go.";
            }
        }
        if ($at === 0 && $next !== null) {
            array_unshift($sentences, "“{$next->name}” is now the first page visitors see.");
        }

        return new self($ways, $sentences);
    }

    private static function position(Plan $plan, string $page): int
    {
        foreach ($plan->pages as $i => $candidate) {
            if ($candidate->id === $page) {
                return $i;
            }
        }

        return -1;
    }

    /**
     * @param  list<Way>  $ways
     * @return list<Way>
     */
    private static function replace(array $ways, Way $with): array
    {
        return [...array_values(array_filter($ways, fn (Way $w): bool => $w->page !== $with->page || $w->outcome !== $with->outcome)),
            $with];
    }
}
