<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\Funnel;
use DateTimeImmutable;
use Lantern\Core\Journey\Effects\Effect;

/** Carries out effects that can happen to somebody who is nobody's yet. It is called within a transaction. */
interface CarriesOutForStrangers
{
    public function carryOutForStranger(Effect $effect, Stranger $stranger, Funnel $funnel, DateTimeImmutable $at): void;
}
