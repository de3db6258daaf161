<?php

declare(strict_types=1);

namespace App\Funnels;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\Upload;
use App\Support\Ids;
use Lantern\Core\Funnel\Goal;
use Lantern\Core\Funnel\LeadMagnet;
use Lantern\Core\Funnel\PlanCopy;
use Lantern\Core\Funnel\Starter;
use Lantern\Core\Funnel\WebAddress;

/** Makes funnels: from a starter, or from one that is there. */
final class NewFunnel
{
    /** @param  Upload|null  $file what is given away; may come later */
    public function fromStarter(Business $business, Goal $goal, string $name, string $title, ?Upload $file): Funnel
    {
        $leadMagnet = $goal !== Goal::GiveAway ? null : ($file === null
            ? new LeadMagnet(Ids::next(), $title)
            : new LeadMagnet(Ids::next(), $title, $file->id, $file->name, $file->mime, $file->bytes));
        $plan = (new Starter($business->sender(), Ids::next(...)))
            ->build($goal, $name, $title, WebAddress::suggest($title, self::taken(...)), $leadMagnet);

        return DraftPlan::store($plan, $business);
    }

    public function duplicate(Funnel $funnel): Funnel
    {
        $name = mb_substr($funnel->name, 0, 113).' (copy)';
        $copy = PlanCopy::of(DraftPlan::read($funnel), $name, WebAddress::suggest($funnel->address.'-copy', self::taken(...)), Ids::next(...));

        return DraftPlan::store($copy, $funnel->business);
    }

    public static function taken(string $address): bool
    {
        return Funnel::query()->where('address', $address)->exists();
    }
}
