<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * One kind of what is personal on a published page. Publishing notes what of the plan the slot is filled with; a visit
 * fills it from that and from plain facts of the visit, without the plan, the request or a database.
 */
interface Slot
{
    /**
     * @param  string  $of  what it is a slot of, such as the name of a field; '' where there is only one of its kind
     * @return array<string, mixed> what a visit will need, as JSON can hold it
     */
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array;

    /**
     * @param  array<string, mixed>  $noted
     * @return list<Need> what of the visitor must be loaded before it can be filled
     */
    public function needs(string $of, array $noted): array;

    /**
     * @param  array<string, mixed>  $noted
     * @param  string  $fallback  what it shows where there is nothing to show, as plain text
     * @return string HTML
     */
    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string;
}
