<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Page\Block\Link;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\TriggerKind;

/** What stands in the way of the pop-ups that are switched on. Those that are off reach nobody, and are left alone. */
final class PopupCheck
{
    /** @return list<Finding> */
    public static function of(Plan $plan, PageFacts $facts): array
    {
        $findings = [];
        foreach ($plan->popups as $popup) {
            if ($popup->on) {
                array_push($findings, ...self::ofOne($plan, $popup, $facts));
            }
        }

        return [...$findings, ...self::linked($plan)];
    }

    /** @return list<Finding> as if it were switched on */
    public static function ofOne(Plan $plan, Popup $popup, PageFacts $facts): array
    {
        return [...self::words($plan, $popup, $facts), ...self::reach($plan, $popup), ...self::steps($plan, $popup)];
    }

    /** @return list<Finding> what the page check finds in its words, its pictures and its colours */
    private static function words(Plan $plan, Popup $popup, PageFacts $facts): array
    {
        return array_map(fn (Finding $f): Finding => $f->open !== 'page' ? $f
            : new Finding($f->code, $f->blocks, $f->message, 'popup', $popup->id, 'Open the pop-up', $f->place),
            PageCheck::of($plan, PagePlan::ofPopup($popup), $facts));
    }

    /** @return list<Finding> */
    private static function reach(Plan $plan, Popup $popup): array
    {
        $findings = [];
        $find = fn (string $code, bool $blocks, string $text): Finding => new Finding($code, $blocks, $text, 'popup', $popup->id,
            'Open the pop-up');
        $gone = array_filter($popup->targeting->ids, fn (string $id): bool => $plan->page($id) === null);
        $pages = array_filter($plan->pages, fn (PagePlan $p): bool => $popup->targeting->hasPage($p->id));
        if (! $popup->isPlaced() && $popup->triggers === []) {
            $findings[] = $find('popup-never', false, "Nothing opens “{$popup->name}”, so nobody will see it.");
        } elseif (($popup->isPlaced() || $pages === []) && $popup->targeting->sites === [] && $popup
            ->trigger(TriggerKind::Click) === null) {
            $findings[] = $find('popup-nowhere', false, "“{$popup->name}” is on no page, so nobody will see it.");
        } elseif ($gone !== []) {
            $findings[] = $find('popup-page-gone', false, "“{$popup->name}” is meant for a page that is gone.");
        }
        foreach ($popup->triggers as $trigger) {
            $there = array_filter($pages, fn (PagePlan $p): bool => $p->document->section($trigger->section) !== null);
            if ($trigger->kind === TriggerKind::Section && $there === []) {
                $findings[] = $find('popup-section-gone', false, "“{$popup->name}” waits for a section that is on none of its pages.");
            }
        }
        if ($popup->limits->repeat === 'always' && $popup->limits->apart === 0 && ! $popup->isPlaced()) {
            $findings[] = $find('popup-insistent', false, "“{$popup->name}” is shown again with every view. Most people mind that.");
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function steps(Plan $plan, Popup $popup): array
    {
        $findings = [];
        $links = [];
        foreach ($popup->question()->blocks ?? [] as $block) {
            array_push($links, ...array_map(fn (string $url): string => Link::read($url)->target, $block->links()));
        }
        if ($popup->question() !== null && ! in_array('next', $links, true)) {
            $findings[] = new Finding('popup-no-yes', true, "Nothing in the question of “{$popup->name}” leads on to its next step.",
                'popup', $popup->id, 'Open the pop-up');
        }
        if ($popup->after->kind === 'page' && $popup->after->to !== '' && $plan->page($popup->after->to) === null) {
            $findings[] = new Finding('popup-after-gone', true, "“{$popup->name}” leads to a page that is gone.", 'popup', $popup->id,
                'Choose where they go');
        }

        return $findings;
    }

    /** @return list<Finding> links that open a pop-up which is off, or which no click opens */
    private static function linked(Plan $plan): array
    {
        $findings = [];
        foreach ($plan->pages as $page) {
            foreach ($page->document->popups() as $id) {
                $popup = $plan->popup($id);
                if ($popup !== null && (! $popup->on || $popup->trigger(TriggerKind::Click) === null)) {
                    $findings[] = new Finding('popup-link', true, "Something on “{$page->name}” opens “{$popup->name}”, which "
                        .($popup->on ? 'no click opens.' : 'is switched off.'), 'popup', $popup->id, 'Open the pop-up');
                }
            }
        }

        return $findings;
    }
}
