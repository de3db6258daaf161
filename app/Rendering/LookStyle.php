<?php

declare(strict_types=1);

namespace App\Rendering;

use Illuminate\Support\Str;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Paint;

/** A look and the colours worked out for it, as CSS custom properties; `resources/site` uses them and nothing else. */
final class LookStyle
{
    /** How pictures, cards and buttons are set off from their ground, by the look's frame. */
    private const FRAMES = [
        'soft' => ['pic-shadow' => '0 24px 48px -20px rgb(0 0 0/.45)',
            'card-shadow' => '0 18px 50px -28px rgb(0 0 0/.5),0 1px 0 rgb(0 0 0/.08)', 'card-line' => '0'],
        'tilt' => ['pic-shadow' => '0 24px 48px -20px rgb(0 0 0/.5)', 'pic-turn' => '2.5deg',
            'card-shadow' => '0 14px 36px -22px rgb(0 0 0/.55)', 'card-line' => '0'],
        'line' => ['pic-line' => '1px', 'card-line' => '1px'],
        'hard' => ['pic-shadow' => '10px 10px 0 color-mix(in srgb,var(--ink) 28%,transparent)', 'card-line' => '3px',
            'card-edge' => 'currentcolor'],
    ];

    private const AIR = ['snug' => '.78', 'even' => '1', 'airy' => '1.25'];

    private const BUTTONS = [
        'solid' => [],
        'lifted' => ['btn-shadow' => '0 4px 0 color-mix(in srgb,var(--accent) 55%,#000)'],
        'ruled' => ['btn-case' => 'uppercase', 'btn-space' => '.09em', 'btn-size' => '.95rem'],
    ];

    /** Type, shape and colours: for the body, and for a section with a look of its own. */
    public static function whole(Look $look, Paint $paint): string
    {
        return self::colours($paint).';'.self::written([
            'corner' => "{$look->corner}px", 'heading' => StandIns::family($look->headingFont),
            'heading-weight' => (string) $look->headingWeight,
            'body' => StandIns::family($look->bodyFont),
            'air' => self::AIR[$look->air] ?? '1', 'case' => $look->capitals ? 'uppercase' : 'none',
            'head-line' => $look->capitals ? '1' : '1.12',
        ] + (self::FRAMES[$look->frame] ?? []) + (self::BUTTONS[$look->buttons] ?? []) + self::PLAIN);
    }

    /** The colours alone: for a section on another ground. */
    public static function colours(Paint $paint): string
    {
        $colours = [];
        foreach ($paint->colours as $use => $colour) {
            $colours[Str::kebab($use)] = $colour;
        }

        return self::written($colours);
    }

    /** What a frame or a button style leaves out is written too, so that a section's own look takes nothing over from the page's. */
    private const PLAIN = ['pic-shadow' => 'none', 'pic-turn' => '0deg', 'pic-line' => '0px', 'card-shadow' => 'none',
        'card-edge' => 'color-mix(in srgb,var(--line) 55%,transparent)',
        'btn-shadow' => 'none', 'btn-case' => 'none', 'btn-space' => 'normal', 'btn-size' => '1.125rem'];

    /** @param  array<string, string>  $properties */
    private static function written(array $properties): string
    {
        return implode(';', array_map(fn (string $name, string $value): string => "--{$name}:{$value}", array_keys($properties),
            $properties));
    }
}
