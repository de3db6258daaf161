<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** A merge field inside the address of a link: a part of its path or query, and never more than that. */
final readonly class AddressSlot implements Slot
{
    public function __construct(private MergeSlot $merge)
    {
    }

    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return $this->merge->note($of, $plan, $page, $voice);
    }

    public function needs(string $of, array $noted): array
    {
        return $this->merge->needs($of, $noted);
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        return rawurlencode(MergeSlot::value($of, $noted, $fallback, $visit));
    }
}
