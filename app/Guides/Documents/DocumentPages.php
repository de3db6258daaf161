<?php

declare(strict_types=1);

namespace App\Guides\Documents;

use App\Support\Ids;
use App\Support\RichText;
use Lantern\Core\Guides\Pagination;
use Lantern\Core\Guides\Piece;
use Lantern\Core\Page\Document;
use Lantern\Core\Starters\StarterText;
use Lantern\Core\Support\Invalid;

/** Makes pages of a guide of a document: pasted text, Markdown, HTML (as word processors' files become in the Studio), or a PDF. */
final class DocumentPages
{
    /** A book of five hundred pages has about a million characters. */
    public const MOST_CHARACTERS = 3_000_000;

    /**
     * @param  string  $format  `markdown`, `html` or `pdf`
     * @return list<array{name: string, document: Document, words: int}>
     *
     * @throws Invalid with one sentence that says why nothing can be made of it
     */
    public static function of(string $format, string $content): array
    {
        $pieces = match ($format) {
            'pdf' => PdfPieces::of($content),
            'html' => HtmlPieces::of(self::text($content)),
            default => HtmlPieces::of(MarkdownHtml::of(self::text($content))),
        };
        if (array_filter($pieces, fn (Piece $p): bool => $p->text !== '') === []) {
            throw Invalid::at('document', $format === 'pdf'
                ? 'There are no words in this PDF that can be read: it may be made of pictures of pages. Please paste its text instead.'
                : 'There are no words in this document.');
        }
        $pages = [];
        foreach (Pagination::of($pieces) as $i => $page) {
            $pages[] = ['name' => RichText::line(Pagination::name($page, $i + 1)) ?: 'Page '.($i + 1),
                'document' => StarterText::document($page, Ids::next(...)),
                'words' => array_sum(array_map(fn (Piece $p): int => $p->words(), $page))];
        }

        return $pages;
    }

    private static function text(string $content): string
    {
        $text = str_starts_with($content, "\u{FEFF}") ? substr($content, 3) : $content;
        if (! mb_check_encoding($text, 'UTF-8')) {
            $text = mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        }
        if (mb_strlen($text) > self::MOST_CHARACTERS) {
            throw Invalid::at('document', 'This document is longer than a guide can be. Please choose a part of it.');
        }

        return str_replace("\0", '', $text);
    }
}
