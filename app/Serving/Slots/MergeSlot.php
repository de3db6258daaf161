<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\Source;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** A merge field: what was typed on this very device, or what the address says where the owner lets it. */
final class MergeSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        // In pop-ups the words may speak of where a visitor comes from, and of the page that they stand on.
        return ['parameter' => in_array($of, $plan->parameters, true)
            || ($page->isPopup() && in_array($of, [...Source::PARAMETERS, ...Source::OF_SITE], true))];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::submission(), Need::order()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        return Html::text(self::value($of, $noted, $fallback, $visit));
    }

    /**
     * @param  array<string, mixed>  $noted
     * @return string plain text
     */
    public static function value(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $typed = $visit->answer($of);
        $value = trim($typed === null && ($noted['parameter'] ?? false) === true
            ? Source::parameter($visit->query, $of) : str_replace("\n", ', ', $typed ?? ''));

        return $value === '' ? $fallback : $value;
    }
}
