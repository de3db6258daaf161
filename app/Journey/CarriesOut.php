<?php

declare(strict_types=1);

namespace App\Journey;

use Lantern\Core\Journey\Effects\Effect;

/**
 * Carries out effects of one or a few kinds. Which class does which is bound in the service provider; it is called within a transaction.
 */
interface CarriesOut
{
    public function carryOut(Effect $effect, EffectContext $context): void;
}
