<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** What stands in the way of a guide: on its pages, and around it. Pages that are hidden reach nobody, and are left alone. */
final class GuideCheck
{
    /** @return list<Finding> */
    public static function of(Plan $plan, PageFacts $facts): array
    {
        $findings = [];
        foreach ($plan->guides as $guide) {
            array_push($findings, ...self::guide($plan, $guide));
            foreach ($plan->pagesOf($guide->id) as $page) {
                array_push($findings, ...self::page($plan, $page, $facts));
            }
        }
        foreach ($plan->leadMagnets as $leadMagnet) {
            if ($leadMagnet->guide !== null && $plan->guide($leadMagnet->guide) === null) {
                $findings[] = new Finding('guide-gone', true, "“{$leadMagnet->title}” gives a guide that is gone.", 'lead-magnet',
                    $leadMagnet->id, 'Choose what it gives');
            }
        }

        return $findings;
    }

    /** @return list<Finding> what the page check finds on one page of a guide */
    public static function page(Plan $plan, GuidePage $page, PageFacts $facts): array
    {
        return array_map(fn (Finding $f): Finding => new Finding($f->code,
            // A page of a guide may go on from the one before, without a headline of its own.
            $f->blocks && $f->code !== 'no-headline', $f->message, $f->open === 'way' ? 'guide' : 'guide-page',
            $f->open === 'way' ? $page->guide : $page->id, $f->openLabel, $f->place, $f->fixLabel),
            PageCheck::of($plan, PagePlan::ofGuidePage($page), $facts));
    }

    /** @return list<Finding> */
    private static function guide(Plan $plan, Guide $guide): array
    {
        $findings = [];
        $find = function (string $code, bool $blocks, string $text) use (&$findings, $guide): void {
            $findings[] = new Finding($code, $blocks, $text, 'guide', $guide->id, 'Open the guide');
        };
        $pages = $plan->pagesOf($guide->id);
        if ($pages === []) {
            $find('guide-empty', true, "“{$guide->title}” has no page to read.");
        } elseif ($guide->open >= count($pages)) {
            $find('guide-open', false, "Anybody may read all of “{$guide->title}” without signing up.");
        }
        $same = array_filter($plan->guides, fn (Guide $g): bool => $g->address === $guide->address && $g->id !== $guide->id);
        if ($plan->pageAt($guide->address) !== null || $same !== []) {
            $find('guide-address', true,
                "Something else of this funnel is at the address of “{$guide->title}”, “{$guide->address}”.");
        }
        $given = array_filter($plan->leadMagnets, fn (LeadMagnet $m): bool => $m->guide === $guide->id);
        if ($given === []) {
            $find('guide-not-given', false, "Nobody gets “{$guide->title}”: no lead magnet gives it.");
        }

        return $findings;
    }
}
