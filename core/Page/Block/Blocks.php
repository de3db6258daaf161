<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

/** The kinds of blocks, each on a line: what it holds follows from here for everybody who reads, cleans, draws or copies one. */
final class Blocks
{
    /** Which units a countdown shows; all four where nothing is said. */
    public const UNITS = ['no-seconds', 'days', 'clock'];

    public const MOST_ITEMS = 24;

    /** The drawn icons that points may carry. */
    public const ICONS = ['tick', 'star', 'heart', 'clock', 'book', 'note', 'lamp', 'leaf', 'people', 'gift', 'path', 'calendar', 'speech',
        'shield', 'key', 'spark'];

    /** @var array<string, BlockDefinition> */
    private static array $known = [];

    public static function of(BlockKind $kind): BlockDefinition
    {
        return self::$known[$kind->value] ??= self::define($kind);
    }

    private static function define(BlockKind $kind): BlockDefinition
    {
        return match ($kind) {
            BlockKind::Eyebrow => new BlockDefinition('Line above the heading', ['text' => Field::words(120)]),
            BlockKind::Heading => new BlockDefinition('Heading', ['text' => Field::words(300)]),
            BlockKind::Text => new BlockDefinition('Text', ['html' => Field::richText(10_000)]),
            BlockKind::Bullets => new BlockDefinition(
                'Bullets',
                ['html' => Field::richText(10_000)],
                styles: ['ticks', 'dots', 'columns'],
            ),
            BlockKind::Points => new BlockDefinition(
                'Points',
                items: ['icon' => Field::choice(self::ICONS), 'title' => Field::words(200), 'html' => Field::richText(2_000),
                    'value' => Field::words(60)],
                styles: ['icons', 'steps', 'cards', 'bonuses'],
                css: 'points',
            ),
            BlockKind::Picture => new BlockDefinition(
                'Picture',
                ['picture' => Field::picture(), 'alt' => Field::description(), 'text' => Field::words(300)->optional(),
                    'url' => Field::link()->optional()],
                styles: ['plain', 'round', 'wide'],
                visual: true,
            ),
            BlockKind::Cover => new BlockDefinition(
                'Cover',
                ['picture' => Field::picture(), 'alt' => Field::description(), 'text' => Field::words(200)],
                visual: true,
            ),
            BlockKind::Gallery => new BlockDefinition(
                'Gallery',
                items: ['picture' => Field::picture(), 'alt' => Field::description(), 'text' => Field::words(300)],
                styles: ['grid', 'strip'],
                css: 'proof',
                visual: true,
            ),
            BlockKind::Video => new BlockDefinition(
                'Video',
                ['video' => Field::video(), 'picture' => Field::picture(), 'url' => Field::link()->optional(), 'text' => Field::words(200)],
                css: 'media',
                visual: true,
            ),
            BlockKind::Form => new BlockDefinition('Form', ['form' => Field::reference('form')]),
            BlockKind::Button => new BlockDefinition(
                'Button',
                ['text' => Field::words(120), 'url' => Field::link()],
                styles: ['main', 'quiet', 'link'],
            ),
            BlockKind::Share => new BlockDefinition(
                'Share buttons',
                ['text' => Field::words(120), 'message' => Field::words(300)->optional(), 'url' => Field::link()->optional()],
                styles: ['buttons', 'links'],
                css: 'share',
            ),
            BlockKind::Download => new BlockDefinition(
                'Download',
                ['leadMagnet' => Field::reference('lead-magnet'), 'text' => Field::words(120)],
            ),
            BlockKind::Testimonials => new BlockDefinition(
                'Testimonials',
                items: ['html' => Field::richText(2_000), 'name' => Field::words(120), 'role' => Field::words(160),
                    'picture' => Field::picture()],
                styles: ['cards', 'large', 'wall'],
                css: 'proof',
            ),
            BlockKind::Fit => new BlockDefinition(
                'For whom, and for whom not',
                ['yes' => Field::words(120), 'html' => Field::richText(5_000), 'no' => Field::words(120),
                    'notHtml' => Field::richText(5_000)],
                styles: ['columns', 'cards'],
                css: 'points',
            ),
            BlockKind::Agenda => new BlockDefinition(
                'Agenda',
                items: ['when' => Field::words(60), 'title' => Field::words(200), 'html' => Field::richText(2_000)],
                styles: ['timeline', 'table'],
                css: 'points',
            ),
            BlockKind::Countdown => new BlockDefinition(
                'Countdown',
                ['text' => Field::words(200), 'until' => Field::moment(), 'deadline' => Field::reference('deadline')->optional(),
                    'units' => Field::choice(self::UNITS)->optional(), 'size' => Field::choice(['small', 'large'])->optional(),
                    'labels' => Field::choice(['none'])->optional(), 'colour' => Field::colour(), 'over' => Field::words(200)->optional()],
                styles: ['figures', 'boxes', 'ring', 'line', 'sentence', 'bar-top', 'bar-bottom'],
                css: 'countdown',
            ),
            BlockKind::Price => new BlockDefinition(
                'Price card',
                ['name' => Field::words(120), 'was' => Field::words(40), 'price' => Field::words(40), 'note' => Field::words(200),
                    'html' => Field::richText(5_000), 'text' => Field::words(120), 'url' => Field::link(),
                    'offer' => Field::reference('offer')->optional()],
                styles: ['card', 'plain'],
                css: 'sell',
                visual: true,
            ),
            BlockKind::Checkout => new BlockDefinition(
                'Checkout',
                ['offer' => Field::reference('offer'), 'text' => Field::words(120), 'html' => Field::richText(5_000),
                    'note' => Field::words(300)->optional(), 'marketing' => Field::words(300)->optional()],
                css: 'pay',
                visual: true,
            ),
            BlockKind::Purchases => new BlockDefinition(
                'What was bought',
                ['text' => Field::words(200)],
                css: 'pay',
            ),
            BlockKind::Seal => new BlockDefinition(
                'Guarantee seal',
                ['text' => Field::words(60), 'note' => Field::words(60)],
                css: 'sell',
            ),
            BlockKind::Questions => new BlockDefinition(
                'Questions and answers',
                items: ['title' => Field::words(300), 'html' => Field::richText(4_000)],
                styles: ['folded', 'open', 'pairs'],
                css: 'sell',
            ),
            BlockKind::Logos => new BlockDefinition(
                'Logos',
                items: ['picture' => Field::picture(), 'alt' => Field::description(120)],
                styles: ['row', 'grid'],
                css: 'proof',
            ),
            BlockKind::Divider => new BlockDefinition('Divider', styles: ['line', 'space', 'ornament']),
            BlockKind::Logo => new BlockDefinition('Logo', ['picture' => Field::picture(), 'text' => Field::words(120)]),
            BlockKind::Sessions => new BlockDefinition(
                'Session picker',
                ['webinar' => Field::reference('webinar'), 'text' => Field::words(200)],
                css: 'webinar',
            ),
            BlockKind::Session => new BlockDefinition(
                'Their session',
                ['webinar' => Field::reference('webinar'), 'text' => Field::words(200)],
                css: 'webinar',
            ),
            BlockKind::Room => new BlockDefinition(
                'Webinar room',
                ['webinar' => Field::reference('webinar'), 'text' => Field::words(200)],
                css: 'webinar',
                visual: true,
            ),
            BlockKind::Replay => new BlockDefinition(
                'Replay',
                ['webinar' => Field::reference('webinar'), 'over' => Field::words(300)],
                css: 'webinar',
                visual: true,
            ),
            BlockKind::Reflection => new BlockDefinition(
                'Question to think about',
                ['text' => Field::words(300), 'note' => Field::words(200)->optional()],
                css: 'guide',
            ),
            BlockKind::Checklist => new BlockDefinition(
                'Check-list',
                items: ['title' => Field::words(300)],
                css: 'guide',
            ),
            BlockKind::Embed => new BlockDefinition(
                'Embedded page',
                ['url' => Field::link(), 'text' => Field::words(200), 'size' => Field::choice(['low', 'high'])->optional()],
                css: 'media',
                visual: true,
            ),
            BlockKind::Menu => new BlockDefinition('Menu', items: ['title' => Field::words(60), 'url' => Field::link()]),
        };
    }
}
