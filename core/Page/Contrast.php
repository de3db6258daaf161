<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

/** Contrast between two colours as WCAG 2.2 defines it (success criterion 1.4.3). */
final class Contrast
{
    /** The least ratio for text of ordinary size at level AA. */
    public const TEXT = 4.5;

    /** The least ratio for large text (24 px, or 18.7 px bold) and for the outlines of controls. */
    public const LARGE = 3.0;

    /** @return float from 1 (the same) to 21 (black on white) */
    public static function ratio(Colour $a, Colour $b): float
    {
        $lighter = max($a->luminance(), $b->luminance());
        $darker = min($a->luminance(), $b->luminance());

        return ($lighter + 0.05) / ($darker + 0.05);
    }

    /**
     * The first of the preferred colours that can be read on the background; failing all, black or white,
     * one of which always reaches 4.5 on any background.
     */
    public static function readableOn(Colour $background, Colour ...$preferred): Colour
    {
        foreach ($preferred as $colour) {
            if (self::ratio($background, $colour) >= self::TEXT) {
                return $colour;
            }
        }
        $white = Colour::of('#ffffff');
        $black = Colour::of('#000000');

        return self::ratio($background, $white) >= self::ratio($background, $black) ? $white : $black;
    }
}
