<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Rate;

/** How far people read on a page, and which of its buttons they press. */
final class PageReading
{
    /** @return array<string, mixed> */
    public static function of(Funnel $funnel, PagePlan $page, Period $period): array
    {
        $count = fn (string $axis, Measure $measure): array => array_map(fn (array $byPage): int => ($byPage[$page->id] ?? null)
            ?->of($measure) ?? 0, CountReader::byAxis($funnel->id, $period, $axis));
        $read = $count('section', Measure::Read);
        $pressed = $count('block', Measure::Clicks);
        $all = array_sum($read);
        $sums = CountReader::byPage([$funnel->id], $period)[$funnel->id][$page->id] ?? new CountSums;
        $left = $all;
        $sections = [];
        foreach ($page->document->sections as $section) {
            // Whoever came to a later section came past this one.
            $sections[] = ['id' => $section->id, 'title' => $section->title(), 'reached' => Rate::of($left, $all)->toArray(),
                'stopped' => $read[$section->id] ?? 0];
            $left = max(0, $left - ($read[$section->id] ?? 0));
        }
        $blocks = array_values(array_filter($page->document->blocks(), fn (Block $b): bool => isset($pressed[$b->id])));
        $buttons = array_map(fn (Block $b): array => ['id' => $b->id, 'words' => trim($b->words()) === '' ? $b->kind->label() : $b->words(),
            'clicks' => $pressed[$b->id], 'rate' => Rate::of(min($pressed[$b->id], $sums->of(Measure::Views)), $sums->of(Measure::Views))
                ->toArray()], $blocks);
        usort($buttons, fn (array $a, array $b): int => $b['clicks'] <=> $a['clicks']);

        return ['views' => $sums->of(Measure::Views), 'read' => $all, 'sections' => $sections, 'buttons' => $buttons,
            'sentence' => self::sentence($sections, $all)];
    }

    /** @param  list<array{id: string, title: string, reached: array<string, int|float|null>, stopped: int}>  $sections */
    private static function sentence(array $sections, int $all): string
    {
        if ($all === 0) {
            return 'Nobody has read it since this is counted.';
        }
        foreach ($sections as $section) {
            if ((float) $section['reached']['rate'] < 0.5) {
                return "Half of those who come do not get as far as “{$section['title']}”.";
            }
        }

        return 'More than half of those who come read to the end.';
    }

    /** @return array{sections: list<string>, blocks: list<string>} in the order in which the script of the page counts them */
    public static function places(PagePlan $page): array
    {
        return ['sections' => array_map(fn (Section $s): string => $s->id, $page->document->sections),
            'blocks' => array_map(fn (Block $b): string => $b->id, $page->document->blocks())];
    }
}
