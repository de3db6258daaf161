<?php

declare(strict_types=1);

namespace App\People\Fields;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use Lantern\Core\Journey\Effects\ChangeField;
use Lantern\Core\Journey\Effects\Effect;

/** Own fields that a rule changes. */
final class FieldChanges implements CarriesOut
{
    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof ChangeField) {
            OwnFields::set($context->person->id, $effect->field, [$effect->value]);
        }
    }
}
