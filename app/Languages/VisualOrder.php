<?php

declare(strict_types=1);

namespace App\Languages;

use TCPDF_FONTS;

/**
 * Words in the order in which they are drawn, for what draws them one letter after the other from left to right: pictures and PDFs.
 * By the bidirectional algorithm of Unicode (UAX 9); Arabic letters take the forms in which they are joined.
 */
final class VisualOrder
{
    /** Words of a language that is written from right to left. */
    public static function of(string $words): string
    {
        if (preg_match('/[\x{590}-\x{8ff}\x{fb1d}-\x{fdff}\x{fe70}-\x{feff}\x{200f}]/u', $words) !== 1) {
            return $words;
        }
        $font = ['subsetchars' => [], 'cw' => []];
        $codes = array_map(mb_ord(...), mb_str_split($words));
        $drawn = TCPDF_FONTS::utf8Bidi($codes, $words, true, true, $font);
        $letters = '';
        foreach (is_array($drawn) ? $drawn : $codes as $code) {
            $letters .= is_int($code) ? (string) mb_chr($code) : '';
        }

        // Signs that tell the direction have done their work.
        return (string) preg_replace('/[\x{200e}\x{200f}\x{202a}-\x{202e}\x{2066}-\x{2069}]/u', '', $letters);
    }
}
