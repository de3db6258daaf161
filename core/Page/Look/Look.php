<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

use Lantern\Core\Support\Rebuilt;

/**
 * The colours, type and shape that all pages of a funnel share. The palette is given for the page's own paper;
 * {@see Paint} works out the same look on any other background.
 */
final readonly class Look
{
    use Rebuilt;

    /**
     * @param  string  $headingFont  a font family shipped with the application
     * @param  string  $bodyFont  likewise
     * @param  int  $headingWeight  300 to 900
     * @param  int  $corner  corner radius of buttons and fields, in CSS pixels
     * @param  string  $frame  how covers, pictures and cards are framed: soft, hard, line or tilt
     * @param  string  $air  the room between sections: snug, even or airy
     * @param  string  $buttons  solid, lifted or ruled
     */
    public function __construct(
        public string $id,
        public string $name,
        public Colour $paper,
        public Colour $ink,
        public Colour $accent,
        public string $headingFont,
        public int $headingWeight,
        public string $bodyFont,
        public int $corner,
        public string $frame,
        public string $air = 'even',
        public string $buttons = 'solid',
        public bool $capitals = false,
    ) {
    }

    public function with(LookChanges $c): self
    {
        return $this->changed(paper: $c->paper ?? $this->paper, ink: $c->ink ?? $this->ink, accent: $c->accent ?? $this->accent,
            headingFont: $c->headingFont ?? $this->headingFont, bodyFont: $c->bodyFont ?? $this->bodyFont,
            corner: $c->corner ?? $this->corner,
            headingWeight: $c->headingFont === null ? $this->headingWeight : Fonts::HEADING[$c->headingFont] ?? 700);
    }

    /**
     * The colours of this look on a background of one colour (its own paper if none is given), each readable where
     * it is used.
     *
     * @return array<string, string> as {@see Paint::$colours}
     */
    public function coloursOn(?Colour $background = null): array
    {
        return Paint::of($this, $background === null ? Background::paper() : Background::colour($background))->colours;
    }

    /** @return list<array{string, int}> the font files a page in this look needs */
    public function fonts(): array
    {
        return [[$this->headingFont, $this->headingWeight], [$this->bodyFont, 400], [$this->bodyFont, 700]];
    }
}
