<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Languages\StarterVoice;
use App\Models\Business;
use App\Models\Funnel;
use App\Models\OldAddress;
use App\Models\Upload;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\PlanCopy;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Starters\Starter;
use Lantern\Core\Webinars\WebinarMode;

/** Makes funnels: from a starter, or from one that is there. */
final class NewFunnel
{
    /**
     * @param  string  $title  of what is given away, waited for, shown or sold
     * @param  Upload|null  $file  what is given away; may come later
     * @param  Money|null  $price  of what is sold; null when it is not known yet
     * @param  WebinarMode  $mode  how its webinar is held, where it holds one
     * @param  Money|null  $introductory  what is sold costs at first; null when it is not known yet, or never
     * @param  bool  $withGuide  is what is given away read in the browser, beside the file or without one?
     * @param  string|null  $language  in which its visitors are spoken to; null for that of the business
     */
    public function fromStarter(Business $business, Goal $goal, string $name, string $title, ?Upload $file,
        ?Money $price = null, WebinarMode $mode = WebinarMode::Live, ?Money $introductory = null,
        ?string $language = null, bool $withGuide = false): Funnel
    {
        $leadMagnet = ! $goal->hasLeadMagnet() ? null : ($file === null
            ? new LeadMagnet(Ids::next(), $title)
            : new LeadMagnet(Ids::next(), $title, $file->id, $file->name, $file->mime, $file->bytes));
        $language ??= $business->language;
        $plan = (new Starter($business->sender(), Ids::next(...), CarbonImmutable::now(), StarterVoice::in($language)))
            ->build($goal, $name, $title, WebAddress::suggest($title, self::taken(...), $language), $leadMagnet, $price,
                Currency::isKnown($business->currency) ? $business->currency : 'EUR', $mode, $introductory,
                $language, $withGuide);

        return DraftPlan::store($plan, $business);
    }

    public function duplicate(Funnel $funnel): Funnel
    {
        $name = mb_substr($funnel->name, 0, 113).' (copy)';
        $copy = PlanCopy::of(DraftPlan::read($funnel), $name, WebAddress::suggest($funnel->address.'-copy', self::taken(...)),
            Ids::next(...));

        $stored = DraftPlan::store($copy, $funnel->business);
        $stored->forceFill(['labels' => $funnel->labels])->save();

        return $stored;
    }

    /** Is the address a funnel's, or was it one in public, so that it leads there for good? */
    public static function taken(string $address, ?string $by = null): bool
    {
        return Funnel::query()->where('address', $address)->exists()
            || OldAddress::query()->where('address', $address)->whereNull('page_id')
                ->when($by !== null, fn ($q) => $q->where('funnel_id', '!=', $by))->exists();
    }
}
