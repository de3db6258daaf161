<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Drawing;

use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\Hidden;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Fill;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Paint;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;

/**
 * A small true drawing of the top of a page as SVG: its sections with their grounds and arrangements, its headlines, pictures, forms
 * and buttons in the colours and corners of its look. Words are bars as long as they are.
 */
final class PageDrawing
{
    public const WIDTH = 240.0;

    public const HEIGHT = 140.0;

    /** At each side of the content. */
    private const MARGIN = 20.0;

    private const GAP = 12.0;

    /**
     * @param  Document  $document  with what its shared sections hold
     * @param  Look  $look  of the page
     * @param  callable(string): Look  $lookOf  of a section that has one of its own
     * @param  array<string, int>  $fields  how many fields each form asks for, by its id
     */
    public static function svg(Document $document, Look $look, callable $lookOf, array $fields): string
    {
        $canvas = new Canvas(self::WIDTH, self::HEIGHT);
        self::ground($canvas, $look, $document->background, 0, self::HEIGHT);
        $y = 0.0;
        foreach ($document->sections as $section) {
            if ($canvas->isFull($y)) {
                break;
            }
            if ($section->hidden === Hidden::OnDesktop) {
                continue;
            }
            $own = $section->look === null ? $look : $lookOf($section->look);
            $background = $section->background->isPaper() ? $document->background : $section->background;
            // Drawn once for its height, so that its ground lies below it.
            $end = self::section(new Canvas(self::WIDTH, 10_000), $own, $background, $section, $fields, $y);
            if (! $section->background->isPaper() || $section->look !== null) {
                self::ground($canvas, $own, $background, $y, $end - $y);
            }
            $y = self::section($canvas, $own, $background, $section, $fields, $y);
        }

        return $canvas->svg();
    }

    private static function ground(Canvas $canvas, Look $look, Background $background, float $y, float $height): void
    {
        $ink = Ink::of(Paint::of($look, $background), $look);
        $canvas->box(0, $y, self::WIDTH, $height, $ink->paper);
        if ($background->fill === Fill::Picture || $background->fill === Fill::Video) {
            $canvas->polygon([[0, $y + $height], [self::WIDTH * 0.3, $y + $height * 0.4], [self::WIDTH * 0.55, $y + $height * 0.8],
                [self::WIDTH * 0.75, $y + $height * 0.55], [self::WIDTH, $y + $height]], $ink->ink, 0.12);
        }
    }

    /** @param  array<string, int>  $fields */
    private static function section(Canvas $canvas, Look $look, Background $background, Section $section, array $fields, float $y): float
    {
        $ink = Ink::of(Paint::of($look, $background), $look);
        $isHeader = $section->kind === SectionKind::Header;
        $air = $isHeader ? 4.0 : match ($look->air) {
            'snug' => 7.0,
            'airy' => 12.0,
            default => 9.0,
        };
        $width = self::WIDTH - 2 * self::MARGIN;
        $arrangement = $section->arrangement;
        $beside = array_filter($section->blocks, fn (Block $b): bool => $arrangement->isBeside($b->kind));
        $column = fn (float $x, float $width): BlockDrawing => new BlockDrawing($canvas, $ink, $fields, $x, $width,
            $arrangement === Arrangement::Centred || $arrangement === Arrangement::Boxed, $section->kind === SectionKind::Opening);
        if ($beside === []) {
            $narrow = match ($arrangement) {
                Arrangement::Centred, Arrangement::Boxed => 130.0,
                Arrangement::Left => 150.0,
                default => $width,
            };
            $x = match ($arrangement) {
                Arrangement::Centred, Arrangement::Boxed => (self::WIDTH - $narrow) / 2,
                default => self::MARGIN,
            };

            return self::down($column($x, $narrow), $section->blocks, $y + $air) + $air - 3;
        }
        $half = ($width - self::GAP) * ($arrangement === Arrangement::Aside ? 0.38 : 0.55);
        $besideFirst = $arrangement === Arrangement::SplitLeft || $arrangement === Arrangement::FormLeft;
        $rest = $width - self::GAP - $half;
        [$wordsAt, $besideAt] = $besideFirst ? [self::MARGIN + $rest + self::GAP, self::MARGIN]
            : [self::MARGIN, self::MARGIN + $half + self::GAP];
        $words = array_filter($section->blocks, fn (Block $b): bool => ! $arrangement->isBeside($b->kind));

        return max(self::down($column($wordsAt, $half), $words, $y + $air), self::down($column($besideAt, $rest), $beside, $y + $air))
            + $air - 3;
    }

    /** @param  array<array-key, Block>  $blocks */
    private static function down(BlockDrawing $column, array $blocks, float $y): float
    {
        foreach ($blocks as $block) {
            $y = $block->hidden === Hidden::OnDesktop ? $y : $column->draw($block, $y);
        }

        return $y;
    }
}
