<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/**
 * Writes CSV as RFC 4180 has it, and so that no spreadsheet takes a cell for a formula: what begins like one, also in the
 * wide forms of its first sign or behind blanks, gets an apostrophe before it. Plain numbers, and phone numbers of digits
 * and blanks alone, are none. {@see self::unguarded()} takes the same apostrophe away again.
 */
final class CsvWriter
{
    private const LIKE_A_FORMULA = '[\p{Z}\p{C}\s]*[=+\-@\x{FF1D}\x{FF0B}\x{FF0D}\x{FF20}]|[\t\r\n]';

    public static function record(string ...$fields): string
    {
        return implode(',', array_map(function (string $field): string {
            $cell = self::guarded($field);

            return preg_match('/[",\r\n]|^\s|\s$/', $cell) === 1 ? '"'.str_replace('"', '""', $cell).'"' : $cell;
        }, $fields))."\r\n";
    }

    public static function guarded(string $cell): string
    {
        $text = mb_scrub($cell, 'UTF-8');
        // What has apostrophes before such a sign gets one more, so that reading takes away just what was added.
        $isLikeAFormula = preg_match("/^'*(?:".self::LIKE_A_FORMULA.')/u', $text) === 1;

        return $isLikeAFormula && preg_match('/^[+-]?\d[\d ]*(?:\.\d+)?$/D', $text) !== 1 ? "'{$text}" : $text;
    }

    public static function unguarded(string $cell): string
    {
        return preg_match("/^'+(?:".self::LIKE_A_FORMULA.')/u', $cell) === 1 ? substr($cell, 1) : $cell;
    }
}
