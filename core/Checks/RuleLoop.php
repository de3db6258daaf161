<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Automation\AutomationRule;

/** Rules that set each other off, so that they could go round for ever. */
final readonly class RuleLoop
{
    /**
     * @param  list<AutomationRule>  $rules  in the order in which they follow from each other
     * @param  int  $minutes  that one round takes at the least
     */
    public function __construct(public array $rules, public int $minutes)
    {
    }

    /** Would it go round within a day, with nothing that could end it? */
    public function isCertain(): bool
    {
        return $this->minutes < 1440 && array_filter($this->rules, fn (AutomationRule $r): bool => ! $r->only->isEverybody()) === [];
    }

    public function has(string $rule): bool
    {
        return array_filter($this->rules, fn (AutomationRule $r): bool => $r->id === $rule) !== [];
    }

    /** In a sentence: "“A” sets off “B”, and that sets off “A” again". */
    public function words(): string
    {
        $names = array_map(fn (AutomationRule $r): string => "“{$r->name}”", $this->rules);

        return count($names) === 1 ? "{$names[0]} sets itself off again"
            : "{$names[0]} sets off ".implode(', that sets off ', array_slice($names, 1)).", and that sets off {$names[0]} again";
    }
}
