<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Support\Shape;

/**
 * What lies behind a page: the look's paper, a colour of its own, or a picture. In front of a picture
 * the words stand on a sheet of the look's paper, so that they can be read whatever the picture shows.
 */
final readonly class Background
{
    public function __construct(public ?Colour $colour = null, public ?string $picture = null)
    {
    }

    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return new self;
        }
        $colour = $shape->optionalText('colour', 7);

        return new self(
            $colour === null ? null : Colour::of($colour, $shape->path('colour')),
            $shape->optionalText('picture', 40),
        );
    }

    /** @return array{colour?: string, picture?: string} */
    public function toArray(): array
    {
        return array_filter(['colour' => $this->colour?->hex(), 'picture' => $this->picture], fn (?string $v): bool => $v !== null);
    }
}
