<?php

declare(strict_types=1);

use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Block\Field;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;

/* The form of a page document, by kinds, arrangements and the fields of each block; see make.php. */

$values = fn (array $cases): array => array_map(fn (BackedEnum $c) => $c->value, $cases);
$fields = fn (array $known): array => array_map(fn (Field $f): array => ['type' => 'string', 'maxLength' => $f->max], $known);
$blocks = [];
foreach (BlockKind::cases() as $kind) {
    $properties = ['id' => ['$ref' => '#/$defs/id'], 'kind' => ['const' => $kind->value]];
    if (Blocks::of($kind)->styles !== []) {
        $properties['style'] = ['enum' => Blocks::of($kind)->styles];
    }
    $properties += ['hidden' => ['$ref' => '#/$defs/hidden'], 'entrance' => ['$ref' => '#/$defs/entrance']]
        + $fields(Blocks::of($kind)->fields);
    if (Blocks::of($kind)->items !== null) {
        $properties['items'] = ['type' => 'array', 'maxItems' => Blocks::MOST_ITEMS,
            'items' => ['type' => 'object', 'properties' => $fields(Blocks::of($kind)->items)]];
    }
    $blocks[] = ['title' => $kind->label(), 'type' => 'object', 'required' => ['id', 'kind'],
        'properties' => $properties];
}
$colour = ['type' => 'string', 'pattern' => '^#([0-9a-fA-F]{3}|[0-9a-fA-F]{6})$'];
$percent = ['type' => 'integer', 'minimum' => 0, 'maximum' => 100];
$look = ['enum' => array_keys(Looks::all()), 'description' => 'a look of its own, in place of the one around it'];

return [
    '$schema' => 'https://json-schema.org/draft/2020-12/schema',
    '$id' => 'https://upbeat-lantern.example/formats/page.schema.json',
    'title' => 'Page document',
    'description' => 'What is on a page: sections from top to bottom, each holding blocks. Format '.Document::FORMAT
        .'. Texts hold no markup, except html and notHtml, which hold a few inline marks and are sanitised.',
    'type' => 'object',
    'required' => ['format', 'sections'],
    'properties' => [
        'format' => ['const' => Document::FORMAT],
        'look' => $look,
        'background' => ['$ref' => '#/$defs/background'],
        'sections' => ['type' => 'array', 'maxItems' => Document::MOST_SECTIONS, 'items' => ['$ref' => '#/$defs/section']],
    ],
    '$defs' => [
        'id' => ['type' => 'string', 'pattern' => '^[A-Za-z0-9_-]{1,40}$'],
        'hidden' => ['enum' => ['phone', 'desktop'], 'description' => 'on which screens it is left out'],
        'entrance' => ['enum' => ['fade', 'rise', 'slide'], 'description' => 'how it comes in, once, when it is scrolled into view'],
        'background' => [
            'type' => 'object', 'required' => ['fill'],
            'if' => ['properties' => ['fill' => ['const' => 'tone']]], 'then' => ['required' => ['tone']],
            'properties' => [
                'fill' => ['enum' => ['paper', 'tone', 'colour', 'gradient', 'picture', 'video']],
                'tone' => ['enum' => ['tint', 'ink', 'accent']], 'colour' => $colour, 'to' => $colour,
                'angle' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 360],
                'picture' => ['type' => 'string', 'maxLength' => 40], 'video' => ['type' => 'string', 'maxLength' => 40],
                'focusX' => $percent, 'focusY' => $percent,
                'ink' => $colour + ['description' => 'a colour for the words in place of the one worked out'],
                'veil' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 95,
                    'description' => 'strength of the veil in percent, in place of the one worked out'],
            ],
        ],
        'section' => [
            'type' => 'object', 'required' => ['id', 'kind', 'blocks'],
            'properties' => [
                'id' => ['$ref' => '#/$defs/id'], 'kind' => ['enum' => $values(SectionKind::cases())],
                'arrangement' => ['enum' => $values(Arrangement::cases())],
                'look' => $look, 'hidden' => ['$ref' => '#/$defs/hidden'], 'entrance' => ['$ref' => '#/$defs/entrance'],
                'shared' => ['type' => 'string', 'maxLength' => 40, 'description' => 'the id of the shared section it shows'],
                'background' => ['$ref' => '#/$defs/background'],
                'blocks' => ['type' => 'array', 'maxItems' => Section::MOST_BLOCKS, 'items' => ['oneOf' => $blocks]],
            ],
        ],
    ],
];
