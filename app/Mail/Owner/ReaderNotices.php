<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Mail\Sending\Planner;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\TellOwnerOfReader;

/** Tells the owner at once that somebody has begun a guide or finished it. What is told once a day is {@see ReaderDigest}'s. */
final readonly class ReaderNotices implements CarriesOut
{
    public function __construct(private Planner $planner)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof TellOwnerOfReader && $effect->notice === OwnerNotice::AtOnce && ! $context->person->owner_try) {
            $this->planner->planReaderNotice($context->person, $effect->guide, $effect->finished);
        }
    }
}
