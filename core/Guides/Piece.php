<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/** A piece of a document that becomes a guide: a heading, a text, something to tick off, or the end of a sheet of paper. */
final readonly class Piece
{
    /**
     * @param  int  $level  of a heading, from 1; 0 for all else
     * @param  string  $text  without marks
     * @param  string  $html  of a text: clean, a paragraph or a list
     * @param  list<string>  $ticks  of a list that is ticked off
     */
    private function __construct(public int $level, public string $text, public string $html = '', public array $ticks = [],
        public bool $ends = false)
    {
    }

    public static function heading(int $level, string $text): self
    {
        return new self(max(1, min(6, $level)), trim($text));
    }

    /** @param  string  $html  clean */
    public static function text(string $html): self
    {
        return new self(0, trim(html_entity_decode(strip_tags(str_replace(['</li>', '<br>', '</p>'], ' ', $html)),
            ENT_QUOTES | ENT_HTML5)), $html);
    }

    /** @param  list<string>  $things */
    public static function ticks(array $things): self
    {
        return new self(0, implode(' ', $things), ticks: $things);
    }

    public static function sheet(): self
    {
        return new self(0, '', ends: true);
    }

    public function isHeading(): bool
    {
        return $this->level > 0;
    }

    public function words(): int
    {
        return (int) preg_match_all('/[\p{L}\p{N}]+/u', $this->text);
    }
}
