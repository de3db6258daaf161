<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Design;

use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Fill;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;

/**
 * One way to draw a section of a kind: how its blocks are arranged, in which styles, on what. Words and pictures are
 * not part of it, so a section can be moved from one design to the next and keep them.
 */
final readonly class Design
{
    /**
     * @param  list<BlockKind>  $blocks  the blocks a new section of this design starts with, top to bottom
     * @param  array<string, string>  $styles  by block kind
     * @param  string  $tone  tint, ink, accent or '' for the page's paper
     */
    public function __construct(
        public string $id,
        public SectionKind $kind,
        public string $name,
        public Arrangement $arrangement,
        public array $blocks,
        public array $styles,
        public string $tone,
    ) {
    }

    /**
     * A new section in this design, with words that say what belongs there.
     *
     * @param  callable(): string  $newId
     * @param  array<string, string>  $parts  ids of the parts of the funnel that its blocks show, by their kind
     */
    public function section(callable $newId, array $parts = []): Section
    {
        return $this->filled($newId,
            array_map(fn (BlockKind $k): Block => DesignWords::block($k, $this->kind, $parts), $this->blocks));
    }

    /**
     * A new section in this design from blocks that are there.
     *
     * @param  callable(): string  $newId
     * @param  list<Block>  $blocks  their ids are replaced
     */
    public function filled(callable $newId, array $blocks): Section
    {
        return new Section($newId(), $this->kind, $this->arrangement,
            array_map(fn (Block $b): Block => ($b->style === '' ? $this->styled($b) : $b)->withId($newId()), $blocks),
            $this->tone === '' ? Background::paper() : Background::tone($this->tone));
    }

    /**
     * The section in this design: the same words and pictures, differently arranged. A block the design lives on and
     * that the section lacks (the picture of a split section) is added; none is taken away.
     *
     * @param  callable(): string  $newId
     * @param  array<string, string>  $parts  likewise
     */
    public function applied(Section $section, callable $newId, array $parts = []): Section
    {
        $blocks = array_map($this->styled(...), $section->blocks);
        foreach ($this->blocks as $kind) {
            if (($kind->isVisual() || in_array($kind, [BlockKind::Form, BlockKind::Menu, BlockKind::Seal], true))
                && ! self::hasLike($section, $kind)) {
                $blocks[] = $this->styled(DesignWords::block($kind, $this->kind, $parts))->withId($newId());
            }
        }
        // A background the owner chose stays; one that came with a design goes with it.
        $background = in_array($section->background->fill, [Fill::Paper, Fill::Tone], true) && $section->background->ink === null
            ? ($this->tone === '' ? Background::paper() : Background::tone($this->tone))
            : $section->background;

        return $section->with($blocks, $this->arrangement, $background);
    }

    /** How well a section already is in this design: the design it is in is the one with the most. */
    public function likeness(Section $section): int
    {
        if ($section->kind !== $this->kind) {
            return -1;
        }
        $score = $section->arrangement === $this->arrangement ? 4 : 0;
        foreach ($this->styles as $kind => $style) {
            foreach ($section->blocks as $block) {
                $score += $block->kind->value === $kind ? ($block->style() === $style ? 2 : -2) : 0;
            }
        }
        foreach ($this->blocks as $kind) {
            $score += $kind->isVisual() || $kind === BlockKind::Menu ? (self::hasLike($section, $kind) ? 1 : -1) : 0;
        }

        return $score + ($section->background->tone === $this->tone ? 1 : 0);
    }

    private function styled(Block $block): Block
    {
        $styles = Blocks::of($block->kind)->styles;
        $style = $this->styles[$block->kind->value] ?? null;

        return $style === null || $styles === [] ? $block : $block->with([], null, $style === $styles[0] ? '' : $style);
    }

    private static function hasLike(Section $section, BlockKind $kind): bool
    {
        // One picture will do for another: a cover, a gallery and a video all stand beside words.
        return $kind->isVisual() && ! in_array($kind, [BlockKind::Price, BlockKind::Checkout, BlockKind::Embed], true)
            ? $section->is(BlockKind::Picture, BlockKind::Cover, BlockKind::Gallery, BlockKind::Video)
            : $section->is($kind);
    }
}
