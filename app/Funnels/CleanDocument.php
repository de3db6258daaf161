<?php

declare(strict_types=1);

namespace App\Funnels;

use App\Models\Funnel;
use App\Models\Upload;
use App\Support\RichText;
use Lantern\Core\Page\Block;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Section;
use Lantern\Core\Support\Invalid;

/** A page document as the Studio sends it: its shape checked, its words sanitised, its references the owner's own. */
final class CleanDocument
{
    public static function of(mixed $input, Funnel $funnel): Document
    {
        $read = Document::fromArray($input);
        $document = new Document(array_map(
            fn (Section $s): Section => new Section($s->id, $s->kind, $s->arrangement, array_map(self::block(...), $s->blocks)),
            $read->sections,
        ), $read->background);
        $pictures = $document->pictures();
        $own = Upload::query()->where('business_id', $funnel->business_id)->where('kind', 'picture')->whereIn('id', $pictures)->count();
        if ($own !== count($pictures)) {
            throw Invalid::at('document', 'A picture on this page is not in your library.');
        }

        return $document;
    }

    private static function block(Block $block): Block
    {
        $fields = $block->fields;
        foreach ($fields as $name => $value) {
            $fields[$name] = match ($name) {
                'html' => RichText::words($value),
                'text', 'alt' => RichText::plain($value),
                default => $value,
            };
        }

        return new Block($block->id, $block->kind, $fields);
    }
}
