<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Forms\FormToken;
use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** Proves that a form was loaded from us, for this page. */
final class TokenSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return [];
    }

    public function needs(string $of, array $noted): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        return FormToken::issue($visit->page, $visit->now);
    }
}
