<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

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
        return self::ofLuminances($a->luminance(), $b->luminance());
    }

    public static function ofLuminances(float $a, float $b): float
    {
        return (max($a, $b) + 0.05) / (min($a, $b) + 0.05);
    }

    /**
     * The least contrast of a colour with any of the backgrounds.
     *
     * @param  non-empty-list<Colour>  $backgrounds
     */
    public static function least(Colour $colour, array $backgrounds): float
    {
        return min(array_map(fn (Colour $b): float => self::ratio($b, $colour), $backgrounds));
    }

    /**
     * The first of the preferred colours that can be read on the background; failing all, black or white,
     * one of which always reaches 4.5 on any background.
     */
    public static function readableOn(Colour $background, Colour ...$preferred): Colour
    {
        return self::readableOnAll([$background], ...$preferred);
    }

    /**
     * The first of the preferred colours that can be read on each of the backgrounds; failing all, black or white,
     * whichever has more contrast. Backgrounds far apart may leave no colour that reaches 4.5 on all of them.
     *
     * @param  non-empty-list<Colour>  $backgrounds
     */
    public static function readableOnAll(array $backgrounds, Colour ...$preferred): Colour
    {
        foreach ($preferred as $colour) {
            if (self::least($colour, $backgrounds) >= self::TEXT) {
                return $colour;
            }
        }
        $white = Colour::of('#ffffff');
        $black = Colour::of('#000000');

        return self::least($white, $backgrounds) >= self::least($black, $backgrounds) ? $white : $black;
    }
}
