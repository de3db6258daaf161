<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

use IntlChar;

/**
 * A line of a language that is written from right to left, in the order in which it is drawn: for what draws one letter after the other
 * from left to right, such as pictures and PDFs.
 *
 * Unicode's bidirectional algorithm (UAX 9) without embeddings, whose signs are left out; ICU knows the class of each letter.
 */
final class VisualOrder
{
    private const L = IntlChar::CHAR_DIRECTION_LEFT_TO_RIGHT;

    private const R = IntlChar::CHAR_DIRECTION_RIGHT_TO_LEFT;

    private const AL = IntlChar::CHAR_DIRECTION_RIGHT_TO_LEFT_ARABIC;

    private const EN = IntlChar::CHAR_DIRECTION_EUROPEAN_NUMBER;

    private const AN = IntlChar::CHAR_DIRECTION_ARABIC_NUMBER;

    private const ES = IntlChar::CHAR_DIRECTION_EUROPEAN_NUMBER_SEPARATOR;

    private const ET = IntlChar::CHAR_DIRECTION_EUROPEAN_NUMBER_TERMINATOR;

    private const CS = IntlChar::CHAR_DIRECTION_COMMON_NUMBER_SEPARATOR;

    private const ON = IntlChar::CHAR_DIRECTION_OTHER_NEUTRAL;

    /** Signs that tell a direction: the two marks are letters of that direction to the algorithm, and none of them is drawn. */
    private const MARKS = '/[\x{200e}\x{200f}\x{202a}-\x{202e}\x{2066}-\x{2069}]/u';

    public static function of(string $line): string
    {
        $line = (string) preg_replace('/[\x{202a}-\x{202e}\x{2066}-\x{2069}]/u', '', $line);
        // A letter and the marks above it stay together.
        preg_match_all('/\X/u', $line, $m);
        $letters = $m[0];
        $types = array_map(fn (string $l): int => (int) IntlChar::charDirection(mb_ord($l)), $letters);
        if (array_intersect([self::R, self::AL], $types) === []) {
            return (string) preg_replace(self::MARKS, '', $line);
        }
        $types = self::neutrals(self::brackets($letters, self::weak($types)));
        $drawn = [];
        $run = [];
        foreach ($letters as $i => $letter) {
            // Whatever goes from left to right is turned once more by itself (L2).
            if ($types[$i] !== self::R) {
                $run[] = $letter;

                continue;
            }
            array_push($drawn, ...array_reverse($run));
            $run = [];
            $drawn[] = mb_strlen($letter) === 1 ? IntlChar::charMirror($letter) ?? $letter : $letter;
        }

        return (string) preg_replace(self::MARKS, '', implode('', array_reverse([...$drawn, ...array_reverse($run)])));
    }

    /**
     * Rules W2 to W7.
     *
     * @param  list<int>  $types
     * @return list<int>
     */
    private static function weak(array $types): array
    {
        $strong = self::R;
        foreach ($types as $i => $type) {
            $strong = in_array($type, [self::L, self::R, self::AL], true) ? $type : $strong;
            $types[$i] = $type === self::EN && $strong === self::AL ? self::AN : $type;
        }
        $types = array_map(fn (int $t): int => $t === self::AL ? self::R : $t, $types);
        for ($i = 1; $i < count($types) - 1; $i++) {
            $between = $types[$i - 1] === $types[$i + 1] ? $types[$i - 1] : null;
            if ($between === self::EN && in_array($types[$i], [self::ES, self::CS], true)) {
                $types[$i] = self::EN;
            } elseif ($between === self::AN && $types[$i] === self::CS) {
                $types[$i] = self::AN;
            }
        }
        foreach ([$types, array_reverse($types, true)] as $way) {
            $before = self::ON;
            foreach (array_keys($way) as $i) {
                $types[$i] = $types[$i] === self::ET && $before === self::EN ? self::EN : $types[$i];
                $before = $types[$i];
            }
        }
        $strong = self::R;
        foreach ($types as $i => $type) {
            $type = in_array($type, [self::ES, self::ET, self::CS], true) ? self::ON : $type;
            $strong = in_array($type, [self::L, self::R], true) ? $type : $strong;
            $types[$i] = $type === self::EN && $strong === self::L ? self::L : $type;
        }

        return array_values($types);
    }

    /**
     * Rule N0: two brackets that belong together have one direction, by what is between them.
     *
     * @param  list<string>  $letters
     * @param  list<int>  $types
     * @return list<int>
     */
    private static function brackets(array $letters, array $types): array
    {
        foreach (self::pairs($letters, $types) as $open => $close) {
            $inside = array_slice($types, $open + 1, $close - $open - 1);
            $before = array_values(array_intersect(array_reverse(array_slice($types, 0, $open)), [self::L, self::R, self::EN, self::AN]));
            $direction = match (true) {
                array_intersect($inside, [self::R, self::EN, self::AN]) !== [] => self::R,
                in_array(self::L, $inside, true) => ($before[0] ?? self::R) === self::L ? self::L : self::R,
                default => null,
            };
            if ($direction !== null) {
                $types[$open] = $types[$close] = $direction;
            }
        }

        return array_values($types);
    }

    /**
     * @param  list<string>  $letters
     * @param  list<int>  $types
     * @return array<int, int> where a bracket closes, by where it opens, in that order
     */
    private static function pairs(array $letters, array $types): array
    {
        $open = $pairs = [];
        foreach ($letters as $i => $letter) {
            $kind = $types[$i] === self::ON ? IntlChar::getIntPropertyValue($letter, IntlChar::PROPERTY_BIDI_PAIRED_BRACKET_TYPE) : 0;
            if ($kind === 1) {
                $open[$i] = IntlChar::getBidiPairedBracket($letter);
            } elseif ($kind === 2) {
                $at = array_search($letter, array_reverse($open, true), true);
                if (is_int($at)) {
                    $pairs[$at] = $i;
                    // What was opened after it and is still open closes nowhere.
                    $open = array_filter($open, fn (int $o): bool => $o < $at, ARRAY_FILTER_USE_KEY);
                }
            }
        }
        ksort($pairs);

        return $pairs;
    }

    /**
     * Rules N1 and N2: what has no direction takes that of both its neighbours, or else that of the line.
     *
     * @param  list<int>  $types
     * @return list<int> L, R or a number each
     */
    private static function neutrals(array $types): array
    {
        $side = fn (?int $type): int => $type === self::L ? self::L : self::R;
        $strong = [self::L, self::R, self::EN, self::AN];
        for ($i = 0; $i < count($types); $i++) {
            if (in_array($types[$i], $strong, true)) {
                continue;
            }
            for ($end = $i; $end < count($types) && ! in_array($types[$end], $strong, true);) {
                $end++;
            }
            $both = $side($types[$i - 1] ?? null) === $side($types[$end] ?? null) ? $side($types[$end] ?? null) : self::R;
            for (; $i < $end; $i++) {
                $types[$i] = $both;
            }
        }

        return array_values($types);
    }
}
