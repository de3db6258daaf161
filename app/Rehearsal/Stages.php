<?php

declare(strict_types=1);

namespace App\Rehearsal;

use App\Models\Business;
use App\Models\Funnel;
use App\Warmth\Scores;
use App\Webinars\Lengths;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Rehearsal\Stage;

/** Loads what a funnel is played on: all of the business that has a say in what happens in it. */
final class Stages
{
    public static function of(Funnel $funnel, Plan $plan): Stage
    {
        $business = $funnel->business;
        $lengths = [];
        foreach ($plan->webinars as $webinar) {
            $lengths[$webinar->id] = Lengths::seconds($webinar);
        }

        return new Stage($plan, $business->zone(), TaxRate::of($business->tax_rate), $lengths,
            (int) config('lantern.checkout.fresh_minutes'),
            self::others($business, $funnel), array_values(array_map(strval(...), DB::table('sequence_pauses')->pluck('sequence_id')
                ->all())),
            Scores::weights($business), (int) config('lantern.links.confirm_hours'),
            (int) config('lantern.signups.token_seconds'));
    }

    /** @return list<Plan> of the other live funnels, in the order in which live traffic asks them */
    private static function others(Business $business, Funnel $funnel): array
    {
        $plans = [];
        foreach (Funnel::query()->with('liveVersion')->where('business_id', $business->id)->where('state', FunnelState::Live)
            ->whereNull('archived_at')->where('id', '!=', $funnel->id)->orderBy('id')->get() as $other) {
            $plan = $other->liveVersion?->plan();
            // Those that wait for nothing decide nothing.
            if ($plan !== null && $plan->listensTo() !== []) {
                $plans[] = $plan;
            }
        }

        return $plans;
    }
}
