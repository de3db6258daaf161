<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/**
 * Numbers as people and programs write them. With both signs the last one is the decimal sign; one that stands several
 * times parts thousands; a comma with three digits behind it (`1,234`) can be either, so it is no number.
 * A point with three digits is one: our own exports write the decimal point. Blanks and apostrophes may part thousands.
 */
final class Number
{
    private const MOST_DIGITS = 15;

    private const MOST_DECIMALS = 6;

    /** The number with a point as its decimal sign and no other marks; nothing where it is none or may be two. */
    public static function read(string $typed): ?string
    {
        // A minus sign proper, and the blanks that do not break, are as good as those of the keyboard.
        $typed = strtr(trim($typed), ["\u{2212}" => '-', "\u{00A0}" => ' ', "\u{202F}" => ' ', "\u{2009}" => ' ', "\u{2019}" => "'"]);
        $grouped = preg_match("/^([+-]?)(\d{1,3}(?:([ '])\d{3})(?:\\3\d{3})*)((?:[.,]\d+)?)$/D", $typed, $m) === 1
            ? $m[1].str_replace([' ', "'"], '', $m[2]).strtr($m[4], ',', '.') : null;
        $plain = $grouped ?? match (1) {
            preg_match('/^[+-]?\d+(?:\.\d+)?$/D', $typed) => $typed,
            preg_match('/^[+-]?\d+,(?!\d{3}$)\d+$/D', $typed), preg_match('/^[+-]?(?:0|\d{4,}),\d+$/D', $typed) => strtr($typed, ',', '.'),
            preg_match('/^[+-]?\d{1,3}(?:(?:,\d{3})+\.\d+|(?:,\d{3}){2,})$/D', $typed) => str_replace(',', '', $typed),
            preg_match('/^[+-]?\d{1,3}(?:(?:\.\d{3})+,\d+|(?:\.\d{3}){2,})$/D', $typed) => strtr($typed, ['.' => '', ',' => '.']),
            default => null,
        };
        if ($plain === null) {
            return null;
        }
        $plain = ltrim($plain, '+');

        return preg_match('/^-?\d{1,'.self::MOST_DIGITS.'}(?:\.\d{1,'.self::MOST_DECIMALS.'})?$/D', $plain) === 1 ? $plain : null;
    }
}
