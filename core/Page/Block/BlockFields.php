<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

/**
 * What each kind of block holds: its own fields, the fields of its items where it is a list, and the styles it can
 * be drawn in. All fields are texts; `html` holds the few inline marks that a page's words may have.
 */
final class BlockFields
{
    public const MOST_ITEMS = 24;

    /** Fields with their longest length in characters; `?` marks one that may be missing. */
    private const OWN = [
        'eyebrow' => ['text' => 120],
        'heading' => ['text' => 300],
        'text' => ['html' => 10_000],
        'bullets' => ['html' => 10_000],
        'points' => [],
        'picture' => ['picture?' => 40, 'alt' => 300, 'text?' => 300],
        'cover' => ['picture?' => 40, 'alt' => 300, 'text' => 200],
        'gallery' => [],
        'video' => ['video?' => 40, 'picture?' => 40, 'url?' => 2000, 'text' => 200],
        'form' => ['form' => 40],
        'button' => ['text' => 120, 'url' => 2000],
        'download' => ['leadMagnet' => 40, 'text' => 120],
        'testimonials' => [],
        'fit' => ['yes' => 120, 'html' => 5_000, 'no' => 120, 'notHtml' => 5_000],
        'agenda' => [],
        'countdown' => ['text' => 200, 'until' => 20],
        'price' => ['name' => 120, 'was' => 40, 'price' => 40, 'note' => 200, 'html' => 5_000, 'text' => 120, 'url' => 2000],
        'seal' => ['text' => 60, 'note' => 60],
        'questions' => [],
        'logos' => [],
        'divider' => [],
        'logo' => ['picture?' => 40, 'text' => 120],
        'menu' => [],
    ];

    private const ITEMS = [
        'points' => ['icon' => 20, 'title' => 200, 'html' => 2_000, 'value' => 60],
        'gallery' => ['picture?' => 40, 'alt' => 300, 'text' => 300],
        'testimonials' => ['html' => 2_000, 'name' => 120, 'role' => 160, 'picture?' => 40],
        'agenda' => ['when' => 60, 'title' => 200, 'html' => 2_000],
        'questions' => ['title' => 300, 'html' => 4_000],
        'logos' => ['picture?' => 40, 'alt' => 120],
        'menu' => ['title' => 60, 'url' => 2000],
    ];

    /** The first is what a block is drawn in unless it says otherwise. */
    private const STYLES = [
        'bullets' => ['ticks', 'dots', 'columns'],
        'points' => ['icons', 'steps', 'cards', 'bonuses'],
        'picture' => ['plain', 'round', 'wide'],
        'gallery' => ['grid', 'strip'],
        'button' => ['main', 'quiet', 'link'],
        'testimonials' => ['cards', 'large', 'wall'],
        'fit' => ['columns', 'cards'],
        'agenda' => ['timeline', 'table'],
        'countdown' => ['figures', 'sentence'],
        'price' => ['card', 'plain'],
        'questions' => ['folded', 'open', 'pairs'],
        'logos' => ['row', 'grid'],
        'divider' => ['line', 'space', 'ornament'],
    ];

    /** The drawn signs that points may carry. */
    public const ICONS = ['tick', 'star', 'heart', 'clock', 'book', 'note', 'lamp', 'leaf', 'people', 'gift', 'path', 'calendar', 'speech', 'shield', 'key', 'spark'];

    /** @return array<string, int> the longest length by name; see {@see self::optional()} */
    public static function own(BlockKind $kind): array
    {
        return self::named(self::OWN[$kind->value]);
    }

    /** @return array<string, int>|null null where the block is no list */
    public static function items(BlockKind $kind): ?array
    {
        return isset(self::ITEMS[$kind->value]) ? self::named(self::ITEMS[$kind->value]) : null;
    }

    /** @return list<string> */
    public static function styles(BlockKind $kind): array
    {
        return self::STYLES[$kind->value] ?? [];
    }

    /** May the field be missing from the written form? What is missing reads as ''. */
    public static function optional(BlockKind $kind, string $field): bool
    {
        return isset(self::OWN[$kind->value][$field.'?']) || isset(self::ITEMS[$kind->value][$field.'?']);
    }

    /**
     * @param  array<string, int>  $fields
     * @return array<string, int>
     */
    private static function named(array $fields): array
    {
        $named = [];
        foreach ($fields as $name => $max) {
            $named[rtrim($name, '?')] = $max;
        }

        return $named;
    }
}
