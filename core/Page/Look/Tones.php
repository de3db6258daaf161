<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

/** How dark and how light a picture gets: the relative luminance that 2 % and 98 % of it stay below. */
final readonly class Tones
{
    public function __construct(public float $dark, public float $light)
    {
    }

    /** What is assumed of a picture nobody has measured: anything. */
    public static function unknown(): self
    {
        return new self(0.0, 1.0);
    }

    /** @param  list<float>  $luminances  of points spread evenly over the picture */
    public static function of(array $luminances): self
    {
        if ($luminances === []) {
            return self::unknown();
        }
        sort($luminances);
        $last = count($luminances) - 1;

        return new self($luminances[(int) floor(0.02 * $last)], $luminances[(int) ceil(0.98 * $last)]);
    }
}
