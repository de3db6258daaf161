<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

use Lantern\Core\Support\Invalid;

/** An opaque sRGB colour. */
final readonly class Colour
{
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

        return 0.2126 * $linear($this->red) + 0.7152 * $linear($this->green) + 0.0722 * $linear($this->blue);
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
        $l = max(0.0, min(1.0, $luminance));
        $channel = (int) round(255 * ($l <= 0.0031308 ? $l * 12.92 : 1.055 * $l ** (1 / 2.4) - 0.055));

        return new self($channel, $channel, $channel);
    }
}
