<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Closure;
use Lantern\Core\Guides\Piece;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Support\Invalid;

/** The text of a document as the page of a guide: its headings, paragraphs and lists in sections, to be worked on like any other. */
final class StarterText
{
    /** So long a text is in one block, in characters of HTML; a field has room for some more. */
    private const LONGEST = 8000;

    /**
     * @param  list<Piece>  $page
     * @param  Closure(): string  $newId
     *
     * @throws Invalid if it is more than one page can hold: nothing is left out without a word
     */
    public static function document(array $page, Closure $newId): Document
    {
        $groups = self::groups($page);
        $sections = [];
        foreach (count($groups) > Document::MOST_SECTIONS / 2 ? self::packed($groups) : $groups as [$design, $blocks]) {
            foreach (array_chunk($blocks, Section::MOST_BLOCKS) as $chunk) {
                $sections[] = Designs::get($design)->filled($newId, $chunk);
            }
        }
        if (count($sections) > Document::MOST_SECTIONS) {
            throw Invalid::at('document', 'This document is in more pieces than a guide can hold. Please choose a part of it.');
        }

        return new Document($sections, Background::paper());
    }

    /**
     * Of very many headings, several stand in one section.
     *
     * @param  list<array{string, list<Block>}>  $groups
     * @return list<array{string, list<Block>}>
     */
    private static function packed(array $groups): array
    {
        $packed = [];
        foreach ($groups as [$design, $blocks]) {
            $last = count($packed) - 1;
            if ($last >= 0 && $packed[$last][0] === $design && count($packed[$last][1]) + count($blocks) <= Section::MOST_BLOCKS) {
                $packed[$last][1] = [...$packed[$last][1], ...$blocks];
            } else {
                $packed[] = [$design, $blocks];
            }
        }

        return $packed;
    }

    /**
     * @param  list<Piece>  $page
     * @return list<array{string, list<Block>}> the design of each section, and what stands in it
     */
    private static function groups(array $page): array
    {
        $groups = [['words-left', []]];
        foreach ($page as $piece) {
            [$design, $blocks] = $groups[count($groups) - 1];
            $last = end($blocks);
            if ($piece->isHeading()) {
                $groups[] = ['words-left', [new Block('new', BlockKind::Heading, ['text' => mb_substr($piece->text, 0, 300)])]];
            } elseif ($piece->ticks !== []) {
                $with = $last instanceof Block && $last->kind === BlockKind::Heading ? $blocks : [];
                $with === [] ? null : array_pop($groups);
                $groups[] = ['exercise-list', [...$with, ...self::ticks($piece)]];
                $groups[] = ['words-left', []];
            } elseif ($last instanceof Block && $last->kind === BlockKind::Text
                && strlen($last->field('html')) + strlen($piece->html) <= self::LONGEST) {
                $groups[count($groups) - 1] = [$design, [...array_slice($blocks, 0, -1),
                    $last->with(['html' => $last->field('html').$piece->html])]];
            } else {
                $groups[count($groups) - 1] = [$design, [...$blocks,
                    ...array_map(fn (string $html): Block => new Block('new', BlockKind::Text, ['html' => $html]),
                        self::parts($piece->html))]];
            }
        }

        return array_values(array_filter($groups, fn (array $g): bool => $g[1] !== []));
    }

    /** @return list<Block> */
    private static function ticks(Piece $piece): array
    {
        return array_map(fn (array $things): Block => new Block('new', BlockKind::Checklist, [],
            array_map(fn (string $t): array => ['title' => mb_substr($t, 0, 300)], $things)),
            array_chunk($piece->ticks, Blocks::MOST_ITEMS));
    }

    /** @return list<string> a paragraph that is longer than a block is divided after its sentences, and loses its marks */
    private static function parts(string $html): array
    {
        if (strlen($html) <= self::LONGEST) {
            return [$html];
        }
        $parts = [''];
        foreach (preg_split('/(?<=[.!?…])\s+/u', Piece::text($html)->text) ?: [] as $sentence) {
            // No sentence is longer than a part; what has no end to its sentences is divided between its words.
            foreach (explode("\n", wordwrap($sentence, 1900, "\n")) as $piece) {
                foreach (mb_str_split($piece, 1900) as $n => $some) {
                    $written = htmlspecialchars($some, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
                    $last = $parts[count($parts) - 1];
                    if (strlen($last) + strlen($written) > self::LONGEST - 10) {
                        $parts[] = $written;
                    } else {
                        $parts[count($parts) - 1] = $last.($last === '' || $n > 0 ? '' : ' ').$written;
                    }
                }
            }
        }

        return array_map(fn (string $p): string => "<p>{$p}</p>", array_values(array_filter($parts, fn (string $p): bool => $p !== '')));
    }
}
