<?php

declare(strict_types=1);

namespace App\Automation;

use App\Mail\Sending\Planner;
use App\Models\Person;
use App\Models\RuleRun;
use App\Records\RuleNames;

/** Tells the owner of a rule that was stopped, or that could not do what it should: once a day for each rule. */
final readonly class RuleNotices
{
    public function __construct(private Planner $planner)
    {
    }

    /** @param  string  $trouble  one sentence */
    public function tell(Person $person, string $rule, string $trouble): void
    {
        $this->planner->planRuleNotice($person->business, $rule, RuleNames::of($rule), $trouble);
    }

    public function tellOf(RuleRun $run, Person $person, string $trouble): void
    {
        $this->tell($person, $run->rule_id, $trouble);
    }
}
