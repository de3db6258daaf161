<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Section;

/** What differs between two states of one page, section by section, in words for its owner. */
final class PageChanges
{
    /** @return list<string> */
    public static function between(PagePlan $was, PagePlan $is): array
    {
        $sentences = [];
        if ($was->name !== $is->name) {
            $sentences[] = "It was called “{$was->name}”.";
        }
        if ($was->role !== $is->role) {
            $sentences[] = "It is a page of another kind now: {$is->role->label()}; it was: {$was->role->label()}.";
        }
        if ($was->address !== $is->address && $is->address !== '') {
            $sentences[] = "Its address ends in “{$is->address}”; "
                .($was->address === '' ? 'it was the entry page.' : "“{$was->address}” leads there from now on.");
        }
        if ($was->settings->toArray() !== $is->settings->toArray()) {
            $sentences[] = 'What it tells browsers and search engines, or your own code on it, is different.';
        }
        if ($was->document->look !== $is->document->look
            || $was->document->background->toArray() !== $is->document->background->toArray()) {
            $sentences[] = 'Its look or its background is different.';
        }

        return [...$sentences, ...self::sections($was, $is)];
    }

    /** @return list<string> */
    private static function sections(PagePlan $was, PagePlan $is): array
    {
        $sentences = [];
        foreach ($is->document->sections as $section) {
            $before = $was->document->section($section->id);
            if ($before === null) {
                $sentences[] = "New section: “{$section->title()}”.";
            } else {
                array_push($sentences, ...self::section($before, $section));
            }
        }
        foreach ($was->document->sections as $section) {
            if ($is->document->section($section->id) === null) {
                $sentences[] = "Removed: “{$section->title()}”.";
            }
        }
        $order = fn (PagePlan $a,
            PagePlan $b): array => array_values(array_filter(array_map(fn (Section $s): string => $s->id, $a->document->sections),
                fn (string $id): bool => $b->document->section($id) !== null));
        if ($order($was, $is) !== $order($is, $was)) {
            $sentences[] = 'Its sections are in another order.';
        }

        return $sentences;
    }

    /** @return list<string> */
    private static function section(Section $was, Section $is): array
    {
        $old = array_column(array_map(fn (Block $b): array => [$b->id, $b], $was->blocks), 1, 0);
        $new = array_column(array_map(fn (Block $b): array => [$b->id, $b], $is->blocks), 1, 0);
        $what = [];
        foreach ($new as $id => $block) {
            $before = $old[$id] ?? null;
            if ($before === null) {
                $what[] = mb_strtolower($block->kind->label()).' added';
            } elseif ($before->passages() !== $block->passages()) {
                $what[] = $block->kind->label() === 'Heading' ? 'heading' : 'words';
            } elseif ($before->pictures() !== $block->pictures() || $before->field('video') !== $block->field('video')) {
                $what[] = 'picture';
            } elseif ($before->toArray() !== $block->toArray()) {
                $what[] = mb_strtolower($block->kind->label());
            }
        }
        foreach (array_diff_key($old, $new) as $block) {
            $what[] = mb_strtolower($block->kind->label()).' removed';
        }
        if (array_keys(array_intersect_key($old, $new)) !== array_keys(array_intersect_key($new, $old))) {
            $what[] = 'order';
        }
        if ($was->arrangement !== $is->arrangement) {
            $what[] = 'arrangement';
        }
        if ($was->background->toArray() !== $is->background->toArray() || $was->look !== $is->look) {
            $what[] = 'background';
        }
        if ($was->hidden !== $is->hidden) {
            $what[] = 'where it is hidden';
        }
        if ($was->entrance !== $is->entrance) {
            $what[] = 'how it comes in';
        }
        if ($was->shared !== $is->shared) {
            $what[] = $is->shared === null ? 'not shared any more' : 'shared';
        }

        return $what === [] ? [] : ["Changed in “{$is->title()}”: ".implode(', ', array_values(array_unique($what))).'.'];
    }
}
