<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Journey\BusinessRules;
use App\Models\Funnel;
use App\People\Fields\OwnFields;
use App\Records\LivePlans;
use App\Rendering\PictureFacts;
use Carbon\CarbonImmutable;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Checks\RuleSurroundings;
use Lantern\Core\Plan\Plan;

/** The go-live check of a draft, with all that it must know of the business around it. */
final readonly class FunnelCheck
{
    public function __construct(private PictureFacts $facts, private BusinessRules $rules)
    {
    }

    /** @return list<Finding> */
    public function of(Funnel $funnel, Plan $plan): array
    {
        return GoLiveCheck::of($plan, $this->facts->ofPlan($plan, $funnel->business), CarbonImmutable::now(),
            array_column(OwnFields::of($funnel->business_id), 'name'),
            $plan->rules === [] ? new RuleSurroundings : new RuleSurroundings($this->rules->of($funnel->business_id),
                LivePlans::of($funnel->business_id, $funnel->id)));
    }
}
