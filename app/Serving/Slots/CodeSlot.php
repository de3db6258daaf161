<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\VisitFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** The owner's own code, in the head or at the end of the page. Only a published page carries it. */
final class CodeSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        return ['html' => $of === 'head' ? $page->settings->head : $page->settings->bodyEnd];
    }

    public function needs(string $of, array $noted): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        // On one host with the Studio it could act as the owner who is signed in.
        return $visit->mayRunCode && is_string($noted['html'] ?? null) ? $noted['html'] : '';
    }
}
