<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use Lantern\Core\Emails\MergeFields;
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
        $read = array_map(fn (array $byPage): int => ($byPage[$page->id] ?? null)?->of(Measure::Read) ?? 0,
            CountReader::byAxis($funnel->id, $period, 'section'));
        $all = array_sum($read);
        $sums = CountReader::byPage([$funnel->id], $period)[$funnel->id][$page->id] ?? new CountSums;
        $left = $all;
        $sections = [];
        foreach ($page->document->sections as $section) {
            // Whoever came to a later section came past this one.
            $sections[] = ['id' => $section->id, 'title' => self::said($section->title(), $funnel),
                'reached' => Rate::of($left, $all)->toArray(),
                'stopped' => $read[$section->id] ?? 0];
            $left = max(0, $left - ($read[$section->id] ?? 0));
        }

        return ['views' => $sums->of(Measure::Views), 'read' => $all, 'sections' => $sections,
            'buttons' => self::buttons($funnel, $page, $period, $sums), 'sentence' => self::sentence($sections, $all)];
    }

    /** As the page says it to somebody of whom nothing is known. */
    private static function said(string $words, Funnel $funnel): string
    {
        $sender = $funnel->business->sender();

        return MergeFields::fill($words, ['business' => $sender->business, 'host' => $sender->host()] + $funnel->fields, strval(...));
    }

    /** @return list<array<string, mixed>> what is pressed on the page, the most pressed first, and what followed */
    private static function buttons(Funnel $funnel, PagePlan $page, Period $period, CountSums $ofPage): array
    {
        $counted = CountReader::byAxis($funnel->id, $period, 'block');
        $visitors = $ofPage->of(Measure::Visitors);
        $buttons = [];
        foreach ($page->document->blocks() as $block) {
            $here = $counted[$block->id][$page->id] ?? new CountSums;
            // What followed may have come about on another page.
            $then = $counted[$block->id][''] ?? new CountSums;
            $people = $here->of(Measure::Pressed);
            if ($here->of(Measure::Clicks) + $then->of(Measure::Signups) > 0) {
                $words = trim($block->words()) === '' ? $block->kind->label() : $block->words();
                $buttons[] = ['id' => $block->id, 'words' => self::said($words, $funnel),
                    'clicks' => $here->of(Measure::Clicks), 'people' => $people,
                    'rate' => Rate::of(min($people, $visitors), $visitors)->toArray(),
                    'signups' => $then->of(Measure::Signups), 'orders' => $then->of(Measure::Orders),
                    'revenue' => MoneyWords::all($then->net(), $funnel->business->locale),
                    'signupRate' => Rate::of(min($people, $then->of(Measure::Signups)), $people)->toArray(),
                    'orderRate' => Rate::of(min($people, $then->of(Measure::Orders)), $people)->toArray()];
            }
        }
        usort($buttons, fn (array $a, array $b): int => [$b['people'], $b['signups']] <=> [$a['people'], $a['signups']]);

        return $buttons;
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
