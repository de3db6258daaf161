<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Drawing;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;

/** Draws blocks below each other in a column. */
final class BlockDrawing
{
    /** Of a letter, for as many lines as the words would take: of a heading, of a heading further down, of text. */
    private const LETTER = ['opening' => 4.4, 'heading' => 3.4, 'text' => 1.7];

    /** More lines than this of one text say nothing more. */
    private const MOST_LINES = 5;

    /** Of a list, so many entries are drawn. */
    private const MOST_ITEMS = 6;

    /**
     * @param  array<string, int>  $fields  how many fields each form asks for, by its id
     * @param  bool  $centred  do words stand in the middle?
     */
    public function __construct(
        private readonly Canvas $canvas,
        private readonly Ink $ink,
        private readonly array $fields,
        private readonly float $x,
        private readonly float $width,
        private readonly bool $centred,
        private readonly bool $opening,
    ) {
    }

    /** Draws a block from a height on; the height at which the next one begins. */
    public function draw(Block $block, float $y): float
    {
        return match ($block->kind) {
            BlockKind::Eyebrow => $this->lines($block->words(), $y, 1.6, 2, $this->ink->accent, 1) + 3,
            BlockKind::Heading => $this->opening ? $this->lines($block->words(), $y, self::LETTER['opening'], 6, $this->ink->ink, 3) + 3
                : $this->lines($block->words(), $y, self::LETTER['heading'], 4.5, $this->ink->ink, 2) + 2.5,
            BlockKind::Text => $this->text($block->words(), $y) + 3,
            BlockKind::Bullets => $this->bullets(max(2, substr_count($block->field('html'), '<li')), $y),
            BlockKind::Points, BlockKind::Agenda, BlockKind::Questions => $this->bullets(count($block->items), $y),
            BlockKind::Checklist => $this->bullets(count($block->items), $y),
            BlockKind::Reflection => $this->row(1, $y, 18, true),
            BlockKind::Embed => $this->video($y),
            BlockKind::Purchases => $this->bullets(3, $y),
            BlockKind::Picture, BlockKind::Cover => $this->picture($y, $block->kind === BlockKind::Cover ? 1.25 : 0.62),
            BlockKind::Video, BlockKind::Room, BlockKind::Replay => $this->video($y),
            BlockKind::Gallery, BlockKind::Logos => $this->row(count($block->items), $y, 16, false),
            BlockKind::Testimonials => $this->row(count($block->items), $y, 26, true),
            BlockKind::Form => $this->form($this->fields[$block->field('form')] ?? 1, $y),
            BlockKind::Button, BlockKind::Download => $this->button($block->words(), $y),
            BlockKind::Share => $this->row(3, $y, 7, false),
            BlockKind::Countdown => $this->countdown($y),
            BlockKind::Price => $this->price($block, $y),
            BlockKind::Checkout => $this->checkout($y),
            BlockKind::Sessions => $this->row(3, $y, 14, false),
            BlockKind::Session => $this->row(1, $y, 18, true),
            BlockKind::Fit => $this->row(2, $y, 26, true),
            BlockKind::Seal => $this->seal($y),
            BlockKind::Divider => $this->divider($y),
            BlockKind::Logo => $this->bar($y, min($this->width, 34), 4, $this->ink->ink) + 2,
            BlockKind::Menu => $this->bar($y, min($this->width, 60), 2, $this->ink->soft) + 2,
        };
    }

    /** Words as bars, as many as they would take lines. */
    private function lines(string $words, float $y, float $letter, float $height, string $colour, int $most): float
    {
        $length = mb_strlen($words) * $letter;
        while ($length > 0 && $most-- > 0) {
            $longest = $most === 0 ? $this->width * 0.8 : $this->width;
            $y = $this->bar($y, min($length, $longest), $height, $colour) + $height * 0.45;
            $length -= $this->width;
        }

        return $y;
    }

    private function text(string $words, float $y): float
    {
        return $this->lines($words, $y, self::LETTER['text'], 2, $this->ink->soft, self::MOST_LINES) + 1;
    }

    private function bar(float $y, float $width, float $height, string $colour): float
    {
        $this->canvas->box($this->left($width), $y, $width, $height, $colour, $height / 3, $colour === $this->ink->soft ? 0.6 : 1);

        return $y + $height;
    }

    private function left(float $width): float
    {
        return $this->centred ? $this->x + ($this->width - $width) / 2 : $this->x;
    }

    private function bullets(int $count, float $y): float
    {
        for ($i = 0; $i < min(self::MOST_ITEMS, $count); $i++) {
            $this->canvas->box($this->x, $y, 3, 3, $this->ink->accent, 1.5);
            $this->canvas->box($this->x + 6, $y + 0.5, ($this->width - 6) * ($i % 2 === 0 ? 0.9 : 0.7), 2, $this->ink->soft, 0.7, 0.6);
            $y += 6;
        }

        return $y + 2;
    }

    private function picture(float $y, float $ratio): float
    {
        $width = $ratio > 1 ? min($this->width, 44) : $this->width;
        $height = min(62, $width * $ratio);
        $x = $this->left($width);
        $this->canvas->box($x, $y, $width, $height, $this->ink->accent, $this->ink->corner, 0.28);
        $this->canvas->polygon([[$x, $y + $height], [$x + $width * 0.35, $y + $height * 0.45], [$x + $width * 0.6, $y + $height * 0.75],
            [$x + $width * 0.75, $y + $height * 0.6], [$x + $width, $y + $height]], $this->ink->accent, 0.5);

        return $y + $height + 4;
    }

    private function video(float $y): float
    {
        $height = min(70, $this->width * 0.56);
        $this->canvas->box($this->x, $y, $this->width, $height, $this->ink->ink, $this->ink->corner, 0.9);
        [$cx, $cy] = [$this->x + $this->width / 2, $y + $height / 2];
        $this->canvas->polygon([[$cx - 5, $cy - 6], [$cx + 7, $cy], [$cx - 5, $cy + 6]], $this->ink->paper);

        return $y + $height + 4;
    }

    /** Things beside each other: pictures, cards with words, times to choose from. */
    private function row(int $count, float $y, float $height, bool $words): float
    {
        $count = max(1, min(3, $count));
        $width = ($this->width - ($count - 1) * 5) / $count;
        for ($i = 0; $i < $count; $i++) {
            $x = $this->x + $i * ($width + 5);
            $this->canvas->box($x, $y, $width, $height, $this->ink->field, $this->ink->corner, 1, $this->ink->line);
            for ($line = 0; $words && $line < 3; $line++) {
                $this->canvas->box($x + 4, $y + 5 + $line * 5, ($width - 8) * ($line === 2 ? 0.5 : 1), 2, $this->ink->line, 0.7, 0.6);
            }
        }

        return $y + $height + 5;
    }

    private function form(int $fields, float $y): float
    {
        for ($i = 0; $i < min(5, max(1, $fields)); $i++) {
            $this->canvas->box($this->x, $y, $this->width, 8, $this->ink->field, $this->ink->corner, 1, $this->ink->line);
            $y += 11;
        }
        $this->canvas->box($this->x, $y, $this->width, 10, $this->ink->accent, $this->ink->corner);
        $this->canvas->box($this->x + $this->width * 0.28, $y + 4, $this->width * 0.44, 2, $this->ink->onAccent, 0.7);

        return $y + 14;
    }

    private function button(string $words, float $y): float
    {
        $width = min($this->width, mb_strlen($words) * 2.1 + 16);
        $x = $this->left($width);
        $this->canvas->box($x, $y, $width, 11, $this->ink->accent, $this->ink->corner);
        $this->canvas->box($x + 8, $y + 4.5, $width - 16, 2, $this->ink->onAccent, 0.7);

        return $y + 15;
    }

    private function countdown(float $y): float
    {
        $x = $this->left(62);
        for ($i = 0; $i < 4; $i++) {
            $this->canvas->box($x + $i * 16, $y, 14, 12, $this->ink->accent, $this->ink->corner, 0.3);
            $this->canvas->box($x + $i * 16 + 4, $y + 4, 6, 4, $this->ink->ink, 0.7);
        }

        return $y + 16;
    }

    private function price(Block $block, float $y): float
    {
        $y = $this->bar($y, min($this->width, 46), 9, $this->ink->ink) + 4;
        $y = $this->text($block->field('note'), $y);

        return $this->button($block->field('text') === '' ? 'Go to the order' : $block->field('text'), $y);
    }

    private function checkout(float $y): float
    {
        $width = $this->width * 0.6;
        $left = new self($this->canvas, $this->ink, $this->fields, $this->x, $width - 6, false, false);
        $end = $left->form(4, $y);
        $x = $this->x + $width;
        $this->canvas->box($x, $y, $this->width - $width, 34, $this->ink->field, $this->ink->corner, 1, $this->ink->line);
        $this->canvas->box($x + 5, $y + 6, ($this->width - $width) * 0.6, 2.5, $this->ink->line, 0.7, 0.7);
        $this->canvas->box($x + 5, $y + 14, ($this->width - $width) * 0.4, 5, $this->ink->accent, 0.7);

        return $end;
    }

    private function seal(float $y): float
    {
        $this->canvas->box($this->left(26), $y, 26, 26, $this->ink->accent, 13);
        $this->canvas->box($this->left(14), $y + 12, 14, 2.5, $this->ink->onAccent, 0.7);

        return $y + 30;
    }

    private function divider(float $y): float
    {
        $this->canvas->box($this->x, $y + 2, $this->width, 0.8, $this->ink->line);

        return $y + 6;
    }
}
