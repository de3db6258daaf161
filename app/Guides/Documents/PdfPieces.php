<?php

declare(strict_types=1);

namespace App\Guides\Documents;

use Lantern\Core\Guides\Piece;
use Lantern\Core\Guides\PrintedText;
use Lantern\Core\Guides\PrintedWord;
use Lantern\Core\Support\Invalid;
use Smalot\PdfParser\Config;
use Smalot\PdfParser\Page;
use Smalot\PdfParser\Parser;
use Throwable;

/** The words of a PDF, by where they stand on their sheets. */
final class PdfPieces
{
    /** More sheets than these are not read. */
    private const MOST_SHEETS = 1000;

    /** Of what stands nowhere in particular: how far lines are apart, and how large they are. */
    private const PITCH = 12.0;

    private const SIZE = 10.0;

    /** @return list<Piece> */
    public static function of(string $content): array
    {
        if (! str_starts_with(ltrim(substr($content, 0, 1024)), '%PDF-')) {
            throw Invalid::at('document', 'This file is no PDF, whatever its name says.');
        }
        $config = new Config;
        $config->setRetainImageContent(false);
        $config->setDecodeMemoryLimit(64_000_000);
        $config->setDataTmFontInfoHasToBeIncluded(true);
        try {
            $sheets = array_slice((new Parser([], $config))->parseContent($content)->getPages(), 0, self::MOST_SHEETS);
            $words = array_values(array_map(self::words(...), $sheets));
        } catch (Throwable $e) {
            // Bytes that are no PDF make the library stumble in any way there is.
            throw Invalid::at('document', str_contains(strtolower($e->getMessage()), 'secured')
                ? 'This PDF is locked with a password. Please save it without one, or paste its text.'
                : 'This PDF cannot be read: it may be damaged. Please save it anew, or paste its text.');
        }

        return PrintedText::of($words);
    }

    /** @return list<PrintedWord> */
    private static function words(Page $sheet): array
    {
        $words = [];
        foreach ($sheet->getDataTm() as $piece) {
            [$matrix, $text] = [$piece[0] ?? null, $piece[1] ?? null];
            if (is_array($matrix) && is_string($text) && count($matrix) === 6) {
                $number = fn (int $i): float => is_numeric($matrix[$i] ?? null) ? (float) $matrix[$i] : 0.0;
                $size = is_numeric($piece[3] ?? null) ? (float) $piece[3] : self::SIZE;
                $words[] = new PrintedWord($number(4), $number(5), $size * (hypot($number(2), $number(3)) ?: 1.0), self::clean($text));
            }
        }

        return $words !== [] ? $words : self::inOrder($sheet->getText());
    }

    /** @return list<PrintedWord> line below line */
    private static function inOrder(string $text): array
    {
        return array_map(fn (string $line, int $i): PrintedWord => new PrintedWord(0.0, -$i * self::PITCH, self::SIZE, self::clean($line)),
            $lines = explode("\n", $text), array_keys($lines));
    }

    private static function clean(string $text): string
    {
        return (string) preg_replace('/[^\P{C}\x{AD}\t]+/u', '', mb_scrub($text, 'UTF-8'));
    }
}
