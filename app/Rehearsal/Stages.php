<?php

declare(strict_types=1);

namespace App\Rehearsal;

use App\Journey\BusinessRules;
use App\Models\Business;
use App\Models\Funnel;
use App\Records\LivePlans;
use App\Warmth\Scores;
use App\Webinars\Lengths;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\TaxRate;
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
            (int) config('lantern.signups.token_seconds'), app(BusinessRules::class)->of($business->id),
            array_values(array_map(strval(...), DB::table('rule_pauses')->pluck('rule_id')->all())),
            array_map(strval(...), DB::table('own_fields')->where('business_id', $business->id)->pluck('label', 'name')->all()));
    }

    /** @return list<Plan> of the other live funnels, in the order in which live traffic asks them */
    private static function others(Business $business, Funnel $funnel): array
    {
        // Those that wait for nothing decide nothing.
        return array_values(array_filter(LivePlans::of($business->id, $funnel->id), fn (Plan $p): bool => $p->listensTo() !== []));
    }
}
