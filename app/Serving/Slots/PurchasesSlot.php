<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Support\Html;
use Illuminate\Contracts\View\Factory;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * What was bought in this browser, with all that it opens: this one order, since whoever typed its address need not be its person.
 * All that somebody has is behind the link in their receipt.
 */
final readonly class PurchasesSlot implements Slot
{
    public function __construct(private Factory $views)
    {
    }

    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return [];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::purchases()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $bought = $visit->loaded->purchases();
        if ($bought === null) {
            return '<p class="purchases-none">'.Html::text($visit->voice->say('purchase.by_receipt')).'</p>';
        }

        return $this->views->make('pay.purchases', ['bought' => $bought, 'say' => $visit->voice])->render();
    }
}
