<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

use Lantern\Core\Support\Invalid;

/** An opaque sRGB colour. */
final readonly class Colour
{
    /** What red, green and blue give to the relative luminance. */
    private const WEIGHTS = [0.2126, 0.7152, 0.0722];

    private function __construct(public int $red, public int $green, public int $blue)
    {
    }

    /**
     * @param  string  $hex  `#rgb` or `#rrggbb`
     *
     * @throws Invalid for anything else
     */
    public static function of(string $hex, string $path = 'colour'): self
    {
        if (preg_match('/^#([0-9a-f]{3}|[0-9a-f]{6})$/iD', $hex) !== 1) {
            throw Invalid::at($path, 'A colour is written like #1E6B5E.');
        }
        $digits = substr($hex, 1);
        if (strlen($digits) === 3) {
            $digits = $digits[0].$digits[0].$digits[1].$digits[1].$digits[2].$digits[2];
        }

        return new self((int) hexdec(substr($digits, 0, 2)), (int) hexdec(substr($digits, 2, 2)), (int) hexdec(substr($digits, 4, 2)));
    }

    public function hex(): string
    {
        return sprintf('#%02x%02x%02x', $this->red, $this->green, $this->blue);
    }

    /** Relative luminance, 0 (black) to 1 (white), as WCAG 2.2 defines it. */
    public function luminance(): float
    {
        $linear = static function (int $channel): float {
            $c = $channel / 255;

            return $c <= 0.04045 ? $c / 12.92 : (($c + 0.055) / 1.055) ** 2.4;
        };

        return self::WEIGHTS[0] * $linear($this->red) + self::WEIGHTS[1] * $linear($this->green) + self::WEIGHTS[2] * $linear($this->blue);
    }

    /** Mixes in `$share` (0 to 1) of the other colour, channel by channel. */
    public function mixedWith(self $other, float $share): self
    {
        $mix = static fn (int $a, int $b): int => max(0, min(255, (int) round($a + ($b - $a) * $share)));

        return new self($mix($this->red, $other->red), $mix($this->green, $other->green), $mix($this->blue, $other->blue));
    }

    /** The grey of a relative luminance from 0 to 1. */
    public static function grey(float $luminance): self
    {
        $channel = self::channel(max(0.0, min(1.0, $luminance)));

        return new self($channel, $channel, $channel);
    }

    /**
     * The most saturated colours of a relative luminance: those of which two channels at least are off or full. Of all
     * colours equally light the grey becomes lightest when another colour is mixed into all of them, and one of these
     * darkest: mixing goes by what is written of a colour, whose light grows faster than that.
     *
     * @return list<self>
     */
    public static function mostSaturated(float $luminance): array
    {
        $colours = [];
        [$red, $green, $blue] = self::WEIGHTS;
        foreach ([[0, 0], [0, 1], [1, 0], [1, 1]] as [$a, $b]) {
            foreach ([
                [($luminance - $a * $green - $b * $blue) / $red, $a, $b],
                [$a, ($luminance - $a * $red - $b * $blue) / $green, $b],
                [$a, $b, ($luminance - $a * $red - $b * $green) / $blue],
            ] as $lights) {
                if (min($lights) >= 0 && max($lights) <= 1) {
                    $colours[] = new self(...array_map(self::channel(...), $lights));
                }
            }
        }

        return $colours;
    }

    /** A channel of sRGB, 0 to 255, by how much light it gives, 0 to 1. */
    private static function channel(float|int $light): int
    {
        return (int) round(255 * ($light <= 0.0031308 ? $light * 12.92 : 1.055 * $light ** (1 / 2.4) - 0.055));
    }
}
