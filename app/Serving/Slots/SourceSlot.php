<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Source;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** Where the visitor came from and what hidden fields ask of the address, carried along by the form. */
final class SourceSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return ['parameters' => Source::wanted(Source::formsOn($plan, $page))];
    }

    public function needs(string $of, array $noted): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $carried = $visit->posted === null ? $visit->queryString : $visit->posted['source'] ?? null;
        $wanted = is_array($noted['parameters'] ?? null) ? array_values(array_filter($noted['parameters'], is_string(...))) : [];

        return Html::text(http_build_query(Source::read($carried, $wanted)));
    }
}
