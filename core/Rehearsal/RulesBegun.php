<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Automation\Limits;
use Lantern\Core\Journey\Effects\BeginRule;

/** Rules in a rehearsal that were set off, and wait for their moment. */
final class RulesBegun
{
    public static function begin(Stage $stage, Life $life, BeginRule $effect): void
    {
        $cause = $life->cause;
        if (in_array($effect->rule, $stage->pausedRules, true) || ! $life->known
            || (! $effect->eachTime && isset($life->acted[$effect->rule]))) {
            return;
        }
        $depth = Limits::depth($cause?->depth, $cause === null ? 0 : self::minutes($cause->happened, $cause->begun->due));
        $since = $life->now->modify('-1 hour');
        $stop = Limits::stop($depth, count(array_filter($life->begun[$effect->rule] ?? [],
            fn (DateTimeImmutable $at): bool => $at > $since)));
        if ($stop !== null) {
            $life->tell(HappeningKind::RuleStopped, $effect->rule, '“'.$stage->ruleName($effect->rule)."” was stopped. {$stop}");

            return;
        }
        $life->begun[$effect->rule][] = $life->now;
        $life->rules[] = new BegunRule($effect, $life->now, $depth);
        $life->acted += $effect->eachTime ? [] : [$effect->rule => true];
    }

    /** The one that acts next. */
    public static function next(Life $life): ?BegunRule
    {
        $next = null;
        foreach ($life->rules as $begun) {
            $next = $next === null || $begun->begun->due < $next->begun->due ? $begun : $next;
        }

        return $next;
    }

    private static function minutes(DateTimeImmutable $from, DateTimeImmutable $to): int
    {
        return intdiv($to->getTimestamp() - $from->getTimestamp(), 60);
    }
}
