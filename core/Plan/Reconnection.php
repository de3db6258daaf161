<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Events\Outcome;

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
     * A page that was put in. Visitors come to it from the page before it by the outcome that pages of its role are come to
     * by, else by the main one, else by any that led to the page that now comes next: if that outcome led there, or nowhere.
     * The new page's own outcomes lead on to the next page. Other ways, and ways that skip, stay.
     *
     * @param  Plan  $plan  with the new page in its place, and the ways as they were without it
     * @param  list<Way>|null  $drawn  those ways as they are drawn, with removed pages: {@see WaysAround}
     */
    public static function added(Plan $plan, string $page, ?array $drawn = null): self
    {
        $drawn ??= $plan->ways;
        $at = self::position($plan, $page);
        $new = $plan->pages[$at] ?? null;
        if ($new === null) {
            return new self($drawn, []);
        }
        $before = $at > 0 ? $plan->pages[$at - 1] : null;
        $next = $plan->pages[$at + 1] ?? null;
        $next = $next?->role === PageRole::Closed ? null : $next;
        $leadsOn = $new->role === PageRole::Sales && $next?->role === PageRole::Checkout ? [Outcome::Chose]
            : ($new->role->outcomes() === [] ? array_slice($new->outcomes(), 0, 1) : $new->role->outcomes());
        $sentences = [];
        $onward = $next?->id;
        // A closed page stands outside of the way: nobody is led to it but by time.
        $outcome = $before === null || $new->role === PageRole::Closed ? null
            : self::outcomeTo($plan, $before, $new, $leadsOn === [] ? null : $next);
        if ($before !== null && $outcome !== null) {
            // What was drawn to a removed page goes on being drawn there, from the new page.
            foreach ($drawn as $way) {
                $onward = $way->page === $before->id && $way->outcome === $outcome && $way->toPage !== null ? $way->toPage : $onward;
            }
            $drawn = self::replace($drawn, Way::toPage($before->id, $outcome, $new->id));
            $sentences[] = "{$outcome->whoFirst()} on “{$before->name}” now come to “{$new->name}”.";
        }
        if ($onward === null) {
            return new self($drawn, $sentences);
        }
        foreach ($leadsOn as $own) {
            $drawn[] = Way::toPage($new->id, $own, $onward);
            if ($next !== null) {
                $sentences[] = "From “{$new->name}” {$own->who()} go on to “{$next->name}”.";
            }
        }

        return new self($drawn, $sentences);
    }

    /** The outcome by which visitors of one page come to another that was put in behind it. */
    private static function outcomeTo(Plan $plan, PagePlan $before, PagePlan $new, ?PagePlan $next): ?Outcome
    {
        // To choose an offer leads to its checkout, and to another page only where it does already.
        $outcomes = array_values(array_filter($before->outcomes(), fn (Outcome $o): bool => $o !== Outcome::Chose
            || $new->role === PageRole::Checkout || $plan->way($before->id, $o) !== null));
        $preferred = $new->role->comesBy();
        $main = array_slice($outcomes, 0, 1);
        $led = fn (Outcome $o): bool => $next !== null && $plan->way($before->id, $o)?->toPage === $next->id;
        foreach ([...($preferred !== null && in_array($preferred, $outcomes, true) ? [$preferred] : []), ...$main] as $outcome) {
            if ($led($outcome) || $plan->way($before->id, $outcome) === null) {
                return $outcome;
            }
        }
        foreach ($outcomes as $outcome) {
            if ($led($outcome)) {
                return $outcome;
            }
        }

        return null;
    }

    /**
     * A page that is removed, and what that changes.
     *
     * @param  Plan  $plan  still with the page
     * @param  list<Way>  $ways  around it: {@see WaysAround}
     */
    public static function removed(Plan $plan, string $page, array $ways): self
    {
        $sentences = [];
        foreach ($plan->ways as $was) {
            if ($was->page === $page || $was->toPage !== $page) {
                continue;
            }
            $is = array_values(array_filter($ways, fn (Way $w): bool => $w->page === $was->page && $w->outcome === $was->outcome))[0]
                ?? null;
            $target = $is === null ? null : $is->toUrl ?? '“'.($plan->page((string) $is->toPage)->name ?? '').'”';
            $sentences[] = $was->outcome->whoFirst().' on “'.($plan->page($was->page)->name ?? '').'” '
                .($target === null ? 'are now led nowhere: please choose where they go.' : "now go to {$target}.");
        }
        $next = $plan->pages[1] ?? null;
        if ($next !== null && $plan->pages[0]->id === $page) {
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
