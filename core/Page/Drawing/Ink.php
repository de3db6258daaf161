<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Drawing;

use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Paint;

/** With what a section is drawn: the colours that are readable on its ground, and the corners of its look. */
final readonly class Ink
{
    private function __construct(
        public string $paper,
        public string $ink,
        public string $soft,
        public string $accent,
        public string $onAccent,
        public string $field,
        public string $line,
        public float $corner,
    ) {
    }

    public static function of(Paint $paint, Look $look): self
    {
        $c = $paint->colours;

        return new self($c['paper'], $c['ink'], $c['soft'], $c['accent'], $c['onAccent'], $c['field'], $c['line'],
            min(5.0, $look->corner / 3));
    }
}
