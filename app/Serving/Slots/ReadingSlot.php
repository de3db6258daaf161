<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** What the script of a guide reports by, as attributes of the page; nothing for whoever is not known to read it. */
final class ReadingSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return [];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::reading()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $reading = $visit->loaded->reading();

        return $reading === null ? '' : ' data-reading="'.Html::text($reading->id).'" data-seal="'.Html::text($reading->seal).'"';
    }
}
