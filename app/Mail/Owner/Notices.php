<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Mail\Sending\Planner;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\TellOwner;

/** Tells the owner at once that a form was filled in. What is told once a day is {@see Digest}'s. */
final readonly class Notices implements CarriesOut
{
    public function __construct(private Planner $planner)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof TellOwner && $effect->notice === OwnerNotice::AtOnce && $context->submission !== null) {
            $this->planner->planNotice($context->submission);
        }
    }
}
