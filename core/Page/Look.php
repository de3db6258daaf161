<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

/**
 * The colours, type and shape that all pages of a funnel share. The palette is given for the page's own paper;
 * {@see Look::coloursOn()} works out the same look on any other background.
 */
final readonly class Look
{
    /**
     * @param  string  $headingFont  a font family shipped with the application
     * @param  string  $bodyFont  likewise
     * @param  int  $headingWeight  300 to 900
     * @param  int  $corner  corner radius of buttons and fields, in CSS pixels
     * @param  string  $frame  how the gift's cover and pictures are framed: soft, hard, line or tilt
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
        public bool $capitals = false,
    ) {
    }

    public function withAccent(?Colour $accent): self
    {
        return $accent === null ? $this : new self($this->id, $this->name, $this->paper, $this->ink, $accent,
            $this->headingFont, $this->headingWeight, $this->bodyFont, $this->corner, $this->frame, $this->capitals);
    }

    /**
     * The colours of this look on a background (its own paper if none is given), each readable where it is used.
     *
     * @return array{paper: string, ink: string, soft: string, accent: string, onAccent: string, link: string, field: string, onField: string, line: string}
     */
    public function coloursOn(?Colour $background = null): array
    {
        $paper = $background ?? $this->paper;
        $ink = Contrast::readableOn($paper, $this->ink, $this->paper);
        $soft = $ink->mixedWith($paper, 0.28);
        $field = $paper->luminance() > 0.4 ? $paper->mixedWith(Colour::of('#ffffff'), 0.75) : Colour::of('#ffffff');

        return [
            'paper' => $paper->hex(),
            'ink' => $ink->hex(),
            'soft' => Contrast::readableOn($paper, $soft, $ink)->hex(),
            'accent' => $this->accent->hex(),
            'onAccent' => Contrast::readableOn($this->accent, Colour::of('#ffffff'), $this->ink, $this->paper)->hex(),
            'link' => Contrast::readableOn($paper, $this->accent, $ink)->hex(),
            'field' => $field->hex(),
            'onField' => Contrast::readableOn($field, $this->ink, $this->paper)->hex(),
            // A field's outline has to be seen as well: 3 to 1 against the paper and against the field.
            'line' => Contrast::readableOn($field, $this->ink->mixedWith($field, 0.35), $this->ink)->hex(),
        ];
    }
}
