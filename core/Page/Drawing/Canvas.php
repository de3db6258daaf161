<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Drawing;

/**
 * Shapes on a ground of a fixed size, written as SVG. What lies below the lower edge is left out. Lengths are units of the drawing.
 */
final class Canvas
{
    /** @var list<string> */
    private array $shapes = [];

    public function __construct(public readonly float $width, public readonly float $height)
    {
    }

    public function isFull(float $y): bool
    {
        return $y >= $this->height;
    }

    /** @param  string  $fill  a colour such as #1e6b5e */
    public function box(float $x, float $y, float $width, float $height, string $fill, float $corner = 0, float $opacity = 1,
        ?string $line = null): void
    {
        if (! $this->isFull($y) && $width > 0 && $height > 0) {
            $numbers = array_map(self::number(...), ['x' => $x, 'y' => $y, 'width' => $width, 'height' => $height]);
            if ($corner > 0) {
                $numbers['rx'] = self::number($corner);
            }
            $this->shape('rect', $numbers + ($line === null ? [] : ['stroke' => $line, 'stroke-width' => '.7']), $fill, $opacity);
        }
    }

    /** @param  list<array{float, float}>  $points */
    public function polygon(array $points, string $fill, float $opacity = 1): void
    {
        if ($points !== [] && ! $this->isFull(min(array_column($points, 1)))) {
            $this->shape('polygon', ['points' => implode(' ', array_map(
                fn (array $p): string => self::number($p[0]).','.self::number($p[1]), $points))], $fill, $opacity);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function shape(string $element, array $attributes, string $fill, float $opacity): void
    {
        $attributes += ['fill' => $fill] + ($opacity < 1 ? ['opacity' => self::number($opacity)] : []);
        $written = '';
        foreach ($attributes as $name => $value) {
            $written .= " {$name}=\"{$value}\"";
        }
        $this->shapes[] = "<{$element}{$written}/>";
    }

    public function svg(): string
    {
        $size = self::number($this->width).' '.self::number($this->height);

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {$size}\">".implode('', $this->shapes).'</svg>';
    }

    private static function number(float $n): string
    {
        return rtrim(rtrim(number_format($n, 1, '.', ''), '0'), '.');
    }
}
