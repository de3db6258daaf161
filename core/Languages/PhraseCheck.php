<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

use MessageFormatter;

/** Whether a phrase of an owner's can stand in place of the one that ships: written so that ICU reads it, with all that it speaks of. */
final class PhraseCheck
{
    /** A phrase may be several times as long as the one it stands for, and one of a word may become a short sentence. */
    private const LONGER = 4;

    private const SHORTEST_LIMIT = 200;

    /**
     * @param  array<string, int|float|string>  $samples  a value for each that the phrase speaks of
     * @return string|null what is wrong, in words for the owner
     */
    public static function wrong(Language $language, string $ships, string $own, array $samples): ?string
    {
        $most = min(OwnPhrases::LONGEST, max(self::SHORTEST_LIMIT, self::LONGER * mb_strlen($ships)));
        if (! mb_check_encoding($own, 'UTF-8') || preg_match('/[\x00-\x08\x0b-\x1f\x7f\x{202a}-\x{202e}\x{2066}-\x{2069}]/u', $own) === 1) {
            return 'There are signs in it that cannot be seen. Please type it anew.';
        }
        if (mb_strlen($own) > $most) {
            return "This is too long: it has room for {$most} characters, and these are ".mb_strlen($own).'.';
        }
        $formatter = str_contains($own, '{') ? MessageFormatter::create($language->locale(), $own) : null;
        if (str_contains($own, '{') && $formatter === null) {
            return 'The braces { } do not come out even, or what stands in them cannot be read. A value is written like '
                .'{name}'.(str_contains($ships, ', plural,') ? ', and its forms like {count, plural, one {…} other {…}}.' : '.');
        }
        $wrong = self::elementsOf($ships, $own) ?? self::valuesOf($ships, $own);
        if ($wrong !== null || $formatter === null) {
            return $wrong;
        }
        foreach (self::read($own) as $name => $kinds) {
            // ICU writes a word as the number 0.
            $numbers = array_diff(array_keys($kinds), ['', 'select']);
            if (($numbers !== [] && is_string($samples[$name] ?? '')) || ! is_string($formatter->format($samples))) {
                return 'A value in it cannot be written this way. It is written like “'.$ships.'” otherwise.';
            }
        }

        return null;
    }

    private static function elementsOf(string $ships, string $own): ?string
    {
        $elements = self::elements($ships);
        if (preg_match_all('~<[/!?A-Za-z][^<>]*>?~', $own, $m) > 0) {
            foreach ($m[0] as $found) {
                if (! in_array(trim($found, '</>'), $elements, true)) {
                    return "“{$found}” would be read as it stands: nothing is marked up here"
                        .($elements === [] ? '.' : ' but by '.self::listed(array_map(fn (string $e): string => "<{$e}>…</{$e}>",
                            $elements)).'.');
                }
            }
        }
        foreach ($elements as $element) {
            if (preg_match("~^[^<]*<{$element}>[^<]+</{$element}>[^<]*$~s", self::only($own, $element, $elements)) !== 1) {
                return "Please put <{$element}> and </{$element}> once around the words that it is about.";
            }
        }

        return null;
    }

    private static function valuesOf(string $ships, string $own): ?string
    {
        $values = self::values($ships);
        $used = self::values($own);
        $unknown = array_diff($used, $values);
        if ($unknown !== []) {
            return self::listed(self::braced($unknown)).(count($unknown) === 1 ? ' is' : ' are').' not known here. '
                .($values === [] ? 'Nothing is filled in in this phrase.' : 'There '.(count($values) === 1 ? 'is' : 'are').' '
                    .self::listed(self::braced($values)).'.');
        }
        $missing = array_diff($values, $used);
        if ($missing !== []) {
            return self::listed(self::braced($missing)).(count($missing) === 1 ? ' is' : ' are')
                .' missing: visitors need it. Please put it where it belongs in your words.';
        }

        return null;
    }

    /**
     * The values that a message of ICU's speaks of, in all its forms. It has to be one that ICU reads.
     *
     * @return list<string> by name
     */
    public static function values(string $message): array
    {
        return array_keys(self::read($message));
    }

    /** @return array<string, array<string, true>> the kinds, such as `plural`, by the name of the value; '' for none */
    private static function read(string $message): array
    {
        $found = [];
        $at = 0;
        // ICU takes no braces for any where there are none to fill in; as they are written then, they are said.
        self::message(str_contains($message, '{') ? $message : '', $at, $found);

        return $found;
    }

    /** @return list<string> names of the elements in a phrase, such as `link` */
    public static function elements(string $phrase): array
    {
        preg_match_all('~<(\w+)>~', $phrase, $m);

        return array_values(array_unique($m[1]));
    }

    /**
     * Reads a message up to the brace that closes it.
     *
     * @param  array<string, array<string, true>>  $found
     */
    private static function message(string $text, int &$at, array &$found): void
    {
        for ($length = strlen($text); $at < $length; $at++) {
            if ($text[$at] === "'" && preg_match("/\G'(?:'|[{}#|][^']*(?:''[^']*)*(?:'|$))/", $text, $m, 0, $at) === 1) {
                $at += strlen($m[0]) - 1;
            } elseif ($text[$at] === '}') {
                return;
            } elseif ($text[$at] === '{') {
                self::argument($text, $at, $found);
            }
        }
    }

    /** @param  array<string, array<string, true>>  $found */
    private static function argument(string $text, int &$at, array &$found): void
    {
        preg_match('/\G\{\s*([^\s,{}]+)\s*(?:,\s*(\w+))?/', $text, $m, 0, $at);
        $found[$m[1] ?? ''][strtolower($m[2] ?? '')] = true;
        $at += strlen($m[0] ?? '{');
        $forms = in_array(strtolower($m[2] ?? ''), ['plural', 'select', 'selectordinal'], true);
        for ($depth = 0, $length = strlen($text); $at < $length; $at++) {
            if ($text[$at] === '{' && $forms) {
                $at++;
                self::message($text, $at, $found);
            } elseif ($text[$at] === '{') {
                $depth++;
            } elseif ($text[$at] === '}' && $depth-- === 0) {
                return;
            }
        }
    }

    /**
     * A phrase without its other elements.
     *
     * @param  list<string>  $elements
     */
    private static function only(string $phrase, string $element, array $elements): string
    {
        foreach ($elements as $other) {
            $phrase = $other === $element ? $phrase : str_replace(["<{$other}>", "</{$other}>"], '', $phrase);
        }

        return $phrase;
    }

    /**
     * @param  array<string>  $names
     * @return list<string>
     */
    private static function braced(array $names): array
    {
        return array_values(array_map(fn (string $n): string => '{'.$n.'}', $names));
    }

    /** @param  array<string>  $names */
    private static function listed(array $names): string
    {
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names).' and '.$last;
    }
}
