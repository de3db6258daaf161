<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/** What is printed at one place of a sheet: a letter, a word, or a line of them. */
final readonly class PrintedWord
{
    /**
     * @param  float  $y  grows upward, in points like the others
     * @param  float  $size  of its letters
     * @param  float  $end  where it ends, as far as can be told
     */
    public function __construct(public float $x, public float $y, public float $size, public string $text, public float $end = 0.0)
    {
    }

    public function trimmed(): self
    {
        return new self($this->x, $this->y, $this->size, trim($this->text), $this->end);
    }
}
