<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Parts\Part;
use Lantern\Core\Sequences\EmailPlan;

/** What a split test of a part wants more of, if nothing else is said. */
final class UsualGoal
{
    public static function of(Tested $of, Part $part): TestGoal
    {
        return match (true) {
            $part instanceof PagePlan && ($part->role === PageRole::Sales || $part->role === PageRole::Checkout
                || $part->role->isExtraOffer()) => TestGoal::Sale,
            // Without a link there is nothing to click.
            $part instanceof EmailPlan && EmailBody::links($part->body) === [] => TestGoal::Open,
            default => $of->goals()[0],
        };
    }
}
