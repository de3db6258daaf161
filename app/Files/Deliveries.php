<?php

declare(strict_types=1);

namespace App\Files;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Models\Delivery;
use Lantern\Core\Journey\Effects\DeliverFile;
use Lantern\Core\Journey\Effects\Effect;

/** Gives people their own right to download a lead magnet, once each. */
final class Deliveries implements CarriesOut
{
    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof DeliverFile && $context->funnel !== null) {
            Delivery::query()->firstOrCreate(['person_id' => $context->person->id, 'lead_magnet_id' => $effect->leadMagnet],
                ['funnel_id' => $context->funnel->id]);
        }
    }
}
