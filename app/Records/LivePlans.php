<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Funnel;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\Plan;

/** What is public of a business. */
final class LivePlans
{
    /**
     * @param  string  $except  the id of a funnel
     * @return list<Plan> of its live funnels, in the order in which live traffic asks them
     */
    public static function of(int $business, string $except = ''): array
    {
        $plans = [];
        foreach (Funnel::query()->with('liveVersion')->where('business_id', $business)->where('state', FunnelState::Live)
            ->whereNull('archived_at')->where('id', '!=', $except)->orderBy('id')->get() as $funnel) {
            $plan = $funnel->liveVersion?->plan();
            if ($plan !== null) {
                $plans[] = $plan;
            }
        }

        return $plans;
    }
}
