<?php

declare(strict_types=1);

namespace App\Guides\Documents;

use Exception;
use Lantern\Core\Guides\Piece;
use Lantern\Core\Support\Invalid;
use Smalot\PdfParser\Config;
use Smalot\PdfParser\Parser;

/** The text of a PDF: lines are put together to paragraphs, and short lines that stand alone are taken for headings. */
final class PdfPieces
{
    /** More sheets than these are not read. */
    private const MOST_SHEETS = 1000;

    private const LONGEST_HEADING = 70;

    /** @return list<Piece> */
    public static function of(string $content): array
    {
        if (! str_starts_with(ltrim(substr($content, 0, 1024)), '%PDF-')) {
            throw Invalid::at('document', 'This file is no PDF, whatever its name says.');
        }
        $config = new Config;
        $config->setRetainImageContent(false);
        $config->setDecodeMemoryLimit(64_000_000);
        try {
            $sheets = (new Parser([], $config))->parseContent($content)->getPages();
            $pieces = [];
            foreach (array_slice($sheets, 0, self::MOST_SHEETS) as $sheet) {
                $text = (string) preg_replace('/[^\P{C}\n\t]+/u', '', mb_scrub($sheet->getText(), 'UTF-8'));
                array_push($pieces, ...self::lines($text), ...[Piece::sheet()]);
            }
        } catch (Exception $e) {
            throw Invalid::at('document', str_contains(strtolower($e->getMessage()), 'secured')
                ? 'This PDF is locked with a password. Please save it without one, or paste its text.'
                : 'This PDF cannot be read: it may be damaged. Please save it anew, or paste its text.');
        }

        return $pieces;
    }

    /** @return list<Piece> */
    private static function lines(string $text): array
    {
        $pieces = [];
        foreach (preg_split('/\n[ \t]*\n+/', str_replace("\r", '', $text)) ?: [] as $block) {
            $lines = array_values(array_filter(array_map(fn (string $l): string => trim((string) preg_replace('/\s+/u', ' ', $l)),
                explode("\n", $block)), fn (string $l): bool => $l !== '' && preg_match('/^\d{1,4}$/', $l) !== 1));
            $open = '';
            foreach ($lines as $i => $line) {
                if (self::isHeading($line, $open, $lines[$i + 1] ?? '')) {
                    $pieces[] = Piece::heading(2, $line);

                    continue;
                }
                // A word that was divided at the end of a line is one word again.
                $open = $open === '' ? $line
                    : (preg_match('/\p{Ll}-$/u', $open) === 1 ? substr($open, 0, -1).$line : "{$open} {$line}");
                if (preg_match('/[.!?…:”"»]$/u', $line) === 1 && mb_strlen($line) < 0.75 * self::width($lines)) {
                    $pieces[] = self::paragraph($open);
                    $open = '';
                }
            }
            if ($open !== '') {
                $pieces[] = self::paragraph($open);
            }
        }

        return $pieces;
    }

    /** @param  list<string>  $lines */
    private static function width(array $lines): int
    {
        return max([1, ...array_map(mb_strlen(...), $lines)]);
    }

    /** Short, not the end of a sentence, and not in the middle of one. */
    private static function isHeading(string $line, string $open, string $next): bool
    {
        return $open === '' && mb_strlen($line) <= self::LONGEST_HEADING && preg_match('/[.!?,;…-]$/u', $line) !== 1
            && preg_match('/^[\p{Lu}\p{N}]/u', $line) === 1 && preg_match('/^\p{Ll}/u', $next) !== 1
            && ($next === '' || mb_strlen($next) > mb_strlen($line));
    }

    private static function paragraph(string $text): Piece
    {
        return Piece::text('<p>'.htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5).'</p>');
    }
}
