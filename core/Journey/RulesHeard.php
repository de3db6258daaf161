<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Events\Event;
use Lantern\Core\Journey\Effects\BeginRule;
use Lantern\Core\People\State\PersonState;

/** Which rules an event sets off. */
final class RulesHeard
{
    /**
     * @param  list<AutomationRule>  $rules
     * @param  string  $funnel  the id of the funnel they are parts of; '' for those of the whole business
     * @param  callable(string $id): string  $name  what a part of a funnel is called
     * @return list<BeginRule> in the order of the rules; none for the owner in their own browser
     */
    public static function by(array $rules, string $funnel, PersonState $person, Event $event, callable $name): array
    {
        $begun = [];
        foreach ($person->owner ? [] : $rules as $rule) {
            $trigger = $rule->isWhole() ? $rule->when->heardBy($event) : null;
            if ($trigger !== null) {
                $begun[] = new BeginRule($rule->id, $funnel, self::due($rule, $person, $event->at), $trigger->words($name).'.',
                    $rule->eachTime, $rule->after === null);
            }
        }

        return $begun;
    }

    /** Days are calendar days in the person's zone. */
    private static function due(AutomationRule $rule, PersonState $person, DateTimeImmutable $at): DateTimeImmutable
    {
        return $rule->after?->from($at, $person->zone) ?? $at;
    }
}
