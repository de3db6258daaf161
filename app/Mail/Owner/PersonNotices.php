<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Journey\ActingRule;
use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Mail\Sending\Planner;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\TellOwnerOfPerson;

/** Tells the owner what a rule has to tell of somebody. */
final readonly class PersonNotices implements CarriesOut
{
    public function __construct(private Planner $planner, private ActingRule $acting)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof TellOwnerOfPerson && ! $context->person->owner_try) {
            $this->planner->planPersonNotice($context->person, $effect->words, $effect->rule, $this->acting->run());
        }
    }
}
