<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** What an owner made their own in a look: colours, fonts, corners. Whatever is null stays as the look has it. */
final readonly class LookChanges
{
    public function __construct(
        public ?Colour $accent = null,
        public ?Colour $paper = null,
        public ?Colour $ink = null,
        public ?string $headingFont = null,
        public ?string $bodyFont = null,
        public ?int $corner = null,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $colour = fn (string $key): ?Colour => $shape->has($key) ? Colour::of($shape->text($key, 7), $shape->path($key)) : null;
        $heading = $shape->optionalText('headingFont', 60);
        $body = $shape->optionalText('bodyFont', 60);
        if ($heading !== null && ! isset(Fonts::HEADING[$heading])) {
            throw Invalid::at($shape->path('headingFont'), 'This font does not ship with the application.');
        }
        if ($body !== null && ! in_array($body, Fonts::BODY, true)) {
            throw Invalid::at($shape->path('bodyFont'), 'This font does not ship with the application.');
        }

        return new self($colour('accent'), $colour('paper'), $colour('ink'), $heading, $body,
            $shape->has('corner') ? $shape->integer('corner', 0, 32) : null);
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return array_filter(['accent' => $this->accent?->hex(), 'paper' => $this->paper?->hex(), 'ink' => $this->ink?->hex(),
            'headingFont' => $this->headingFont, 'bodyFont' => $this->bodyFont, 'corner' => $this->corner],
            fn (string|int|null $v): bool => $v !== null);
    }
}
