<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Automation\Act;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\DeadlineNear;
use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\SequencePlan;

/**
 * Finds rules that set each other off, by what they do and what follows from that by itself. A rule that acts once for each person ends
 * a chain, and so does whatever happens to somebody only once: a tag that is never taken away, a sequence or a deadline that does not begin
 * again.
 */
final class RuleLoops
{
    /** @var array<string, AutomationRule> that act each time, by id */
    private array $rules = [];

    /** @var array<string, list<array{to: string, tags: list<string>}>> by the rule they lead from; the tags that must come anew for it */
    private array $ways = [];

    /** @param  list<Plan>  $plans */
    private function __construct(private readonly array $plans)
    {
    }

    /**
     * @param  list<Plan>  $plans  of funnels that are public, or would be
     * @param  list<AutomationRule>  $business  rules of the whole business
     * @return list<RuleLoop> one for each group of rules that set each other off: its shortest round
     */
    public static function of(array $plans, array $business): array
    {
        $self = new self($plans);
        foreach ([...array_merge([], ...array_map(fn (Plan $p): array => $p->rules, $plans)), ...$business] as $rule) {
            if ($rule->eachTime && $rule->isWhole()) {
                $self->rules[$rule->id] = $rule;
            }
        }
        foreach ($self->rules as $rule) {
            $self->ways[$rule->id] = $self->waysFrom($rule);
        }

        return $self->loops(array_keys($self->rules));
    }

    /** @return list<array{to: string, tags: list<string>}> */
    private function waysFrom(AutomationRule $rule): array
    {
        $ways = [];
        foreach ($this->follows($rule) as [$keys, $tags]) {
            foreach ($this->rules as $other) {
                if (array_intersect($keys, $other->when->keys()) !== []) {
                    $ways[] = ['to' => $other->id, 'tags' => $tags];
                }
            }
        }

        return $ways;
    }

    /**
     * Keys of what follows from a rule, again and again, and the tags that must come anew for it.
     *
     * @return list<array{list<string>, list<string>}>
     */
    private function follows(AutomationRule $rule): array
    {
        $all = [];
        $next = [];
        foreach ($rule->acts as $act) {
            $next[] = match (true) {
                $act instanceof Act\GivesTag => [[TagAdded::keyOf($act->tag)], [mb_strtolower($act->tag)]],
                $act instanceof Act\StartsSequence => [$this->keysOfSequence($act->part), []],
                $act instanceof Act\StartsDeadline => [$this->keysOfDeadline($act->part), []],
                default => [[], []],
            };
        }
        // What follows from what follows: sequences and deadlines that begin by it.
        for ($i = 0; $i < count($next) && $i < 1000; $i++) {
            [$keys, $tags] = $next[$i];
            if ($keys === [] || isset($all[implode(' ', $keys)])) {
                continue;
            }
            $all[implode(' ', $keys)] = [$keys, $tags];
            foreach ($this->plans as $plan) {
                foreach ($plan->sequences as $sequence) {
                    $next[] = array_intersect($keys, $sequence->starts->keys()) === [] ? [[], []]
                        : [$this->keysOfSequence($sequence->id), $tags];
                }
                foreach ($plan->deadlines as $deadline) {
                    $next[] = array_intersect($keys, $deadline->starts->keys()) === [] ? [[], []]
                        : [$this->keysOfDeadline($deadline->id), $tags];
                }
            }
        }

        return array_values($all);
    }

    /** @return list<string> none for one that nobody enters twice */
    private function keysOfSequence(string $id): array
    {
        $sequence = $this->part($id);

        return $sequence instanceof SequencePlan && $sequence->again
            ? (new Event(EventType::Entered, new DateTimeImmutable('@0'), sequence: $id))->keys() : [];
    }

    /** @return list<string> none for one that begins once for each person */
    private function keysOfDeadline(string $id): array
    {
        $deadline = $this->part($id);
        if (! $deadline instanceof Deadline || $deadline->again === null) {
            return [];
        }
        $at = new DateTimeImmutable('@0');
        $near = [];
        foreach ($this->rules as $rule) {
            foreach ($rule->when->keys() as $key) {
                $near[] = (DeadlineNear::ofKey($key)[0] ?? '') === $id ? $key : '';
            }
        }

        return array_values(array_filter([...(new Event(EventType::DeadlineBegan, $at, deadline: $id))->keys(),
            ...(new Event(EventType::DeadlineOver, $at, deadline: $id))->keys(), ...$near], fn (string $k): bool => $k !== ''));
    }

    private function part(string $id): ?object
    {
        foreach ($this->plans as $plan) {
            $part = $plan->part($id);
            if ($part !== null) {
                return $part;
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $among  ids
     * @return list<RuleLoop>
     */
    private function loops(array $among): array
    {
        $loops = [];
        foreach ($this->groups($among) as $group) {
            // Within the group fewer tags may be taken away than among all: what held it together may not.
            if (count($group) < count($among)) {
                array_push($loops, ...$this->loops($group));
            } else {
                $round = $this->round($group);
                $loops[] = new RuleLoop($round, array_sum(array_map(fn (AutomationRule $r): int => $r->after?->shortest() ?? 0, $round)));
            }
        }

        return $loops;
    }

    /**
     * @param  list<string>  $among  ids
     * @return array<string, list<string>> what each of them leads to directly among them, as far as its tags come anew
     */
    private function next(array $among): array
    {
        $taken = [];
        foreach ($among as $id) {
            foreach ($this->rules[$id]->acts as $act) {
                if ($act instanceof Act\TakesTag) {
                    $taken[] = mb_strtolower($act->tag);
                }
            }
        }
        $next = [];
        foreach ($among as $id) {
            $to = array_map(fn (array $w): string => array_diff($w['tags'], $taken) === [] ? $w['to'] : '', $this->ways[$id]);
            $next[$id] = array_values(array_unique(array_intersect($to, $among)));
        }

        return $next;
    }

    /**
     * @param  list<string>  $among  ids
     * @return list<list<string>> rules each of which is reached from each of the same group, itself included
     */
    private function groups(array $among): array
    {
        $leads = $this->next($among);
        $reached = [];
        foreach ($among as $from) {
            $seen = [];
            $next = $leads[$from];
            while (($id = array_pop($next)) !== null) {
                if (! isset($seen[$id])) {
                    $seen[$id] = true;
                    array_push($next, ...$leads[$id]);
                }
            }
            $reached[$from] = $seen;
        }
        $groups = [];
        $grouped = [];
        foreach ($among as $id) {
            if (isset($reached[$id][$id]) && ! isset($grouped[$id])) {
                $group = array_values(array_filter($among, fn (string $other): bool => isset($reached[$id][$other],
                    $reached[$other][$id])));
                $grouped += array_fill_keys($group, true);
                $groups[] = $group;
            }
        }

        return $groups;
    }

    /**
     * @param  list<string>  $group  ids
     * @return list<AutomationRule> the shortest round in it, from the first of its rules that is on one
     */
    private function round(array $group): array
    {
        $leads = $this->next($group);
        $best = [];
        foreach ($group as $from) {
            $ways = [[$from]];
            $seen = [];
            while (($way = array_shift($ways)) !== null) {
                foreach ($leads[$way[count($way) - 1]] as $to) {
                    if ($to === $from && ($best === [] || count($way) < count($best))) {
                        $best = $way;
                    } elseif (! isset($seen[$to]) && $to !== $from) {
                        $seen[$to] = true;
                        $ways[] = [...$way, $to];
                    }
                }
            }
        }

        return array_map(fn (string $id): AutomationRule => $this->rules[$id], $best);
    }
}
