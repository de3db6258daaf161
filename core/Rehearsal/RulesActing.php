<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Journey\Acting;
use Lantern\Core\Plan\Plan;

/** Rules in a rehearsal act at their moment, as they do in life. */
final readonly class RulesActing
{
    public function __construct(private Stage $stage, private Following $following)
    {
    }

    public function act(Life $life): void
    {
        $next = RulesBegun::next($life);
        if ($next === null) {
            return;
        }
        $life->rules = array_values(array_filter($life->rules, fn (BegunRule $b): bool => $b !== $next));
        $own = $next->begun->funnel === '' ? null : $this->stage->planWith($next->begun->rule);
        $rule = $own?->part($next->begun->rule) ?? $this->stage->ruleOfBusiness($next->begun->rule);
        if (! $rule instanceof AutomationRule) {
            return;
        }
        $acted = Acting::of($rule, $own, $this->stage->planWith(...), $this->stage->rules, Following::known($life), $life->now,
            fn (string $id): string => $this->stage->fields[$id] ?? $id);
        if (! $acted->held) {
            unset($life->acted[$rule->id]);
            $life->tell(HappeningKind::RulePassed, $rule->id,
                "“{$rule->name}” does nothing for them: what it asks of the person does not hold.",
                ['why' => $next->begun->why]);

            return;
        }
        $did = array_map(fn (array $s): string => $s['trouble'] === '' ? $s['words'] : "{$s['words']} ({$s['trouble']})", $acted->steps);
        $life->tell(HappeningKind::RuleActed, $rule->id, "The rule “{$rule->name}” acts: ".implode(', ', $did).'. '.$next->begun->why,
            ['why' => $next->begun->why]);
        $life->cause = $next;
        $event = new Event(EventType::Tagged, $life->now);
        foreach ($acted->steps as $step) {
            $this->following->carryOut($life, $step['effects'], $step['plan'] ?? Plan::none(), $event);
        }
        $life->cause = null;
    }
}
