<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Plan\Plan;

/** What else acts upon the same people as the rules of a funnel. */
final readonly class RuleSurroundings
{
    /**
     * @param  list<AutomationRule>  $business  rules of the whole business
     * @param  list<Plan>  $others  live funnels beside it
     */
    public function __construct(public array $business = [], public array $others = [])
    {
    }
}
