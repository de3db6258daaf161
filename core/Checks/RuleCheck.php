<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Automation\Act\CallsAddress;
use Lantern\Core\Automation\Act\ChangesField;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Events\Trigger\DateComes;
use Lantern\Core\Plan\Plan;

/** What is wrong with the rules of a funnel. */
final class RuleCheck
{
    /**
     * @param  list<string>  $own  names of the owner's own fields of people
     * @return list<Finding>
     */
    public static function of(Plan $plan, RuleSurroundings $around, array $own): array
    {
        $findings = [];
        foreach ($plan->rules as $rule) {
            array_push($findings, ...self::ofOne($plan, $rule, $own));
        }
        foreach ($plan->rules === [] ? [] : RuleLoops::of([$plan, ...$around->others], $around->business) as $loop) {
            $here = array_values(array_filter($plan->rules, fn (AutomationRule $r): bool => $loop->has($r->id)));
            if ($here !== []) {
                $findings[] = self::finding('rule-loop', $loop->isCertain(), $loop->isCertain()
                    ? "Rules would go round for ever: {$loop->words()}. Let one of them act once for each person."
                    : "Rules could go round for ever: {$loop->words()}. They do so until what they ask of the person ends it.", $here[0]);
            }
        }

        return $findings;
    }

    /**
     * @param  list<string>  $own
     * @return list<Finding>
     */
    private static function ofOne(Plan $plan, AutomationRule $rule, array $own): array
    {
        if (! $rule->isWhole()) {
            return [self::finding('rule-empty', false, $rule->when->isEmpty() ? "Nothing sets the rule “{$rule->name}” off."
                : "The rule “{$rule->name}” does nothing yet.", $rule)];
        }
        $findings = [];
        if (self::isGone($plan, $rule)) {
            $findings[] = self::finding('rule-gone', true,
                "The rule “{$rule->name}” speaks of something that is not in this funnel any more.",
                $rule);
        }
        foreach ($rule->acts as $act) {
            if ($act instanceof CallsAddress) {
                $findings[] = self::finding('rule-calls', false, "The rule “{$rule->name}” tells {$act->url} of each person it acts for.",
                    $rule);
            }
        }
        foreach (array_diff(self::fieldsOf($rule), $own) as $field) {
            $findings[] = self::finding('rule-field', true, "The rule “{$rule->name}” speaks of the field “{$field}”, which people do not "
                .'have.', $rule);
        }

        return $findings;
    }

    private static function isGone(Plan $plan, AutomationRule $rule): bool
    {
        foreach ([...$rule->when->references(), ...$rule->targets()] as $id) {
            if ($plan->part($id) === null) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    public static function fieldsOf(AutomationRule $rule): array
    {
        $fields = [];
        foreach ([...$rule->acts, ...$rule->when->list] as $one) {
            if ($one instanceof ChangesField || $one instanceof DateComes) {
                $fields[] = $one->field;
            }
        }

        return array_values(array_unique($fields));
    }

    private static function finding(string $code, bool $blocks, string $message, AutomationRule $rule): Finding
    {
        return new Finding($code, $blocks, $message, 'automation', $rule->id, 'Open the rule');
    }
}
