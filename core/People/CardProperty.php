<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/**
 * One property of a vCard (versions 2.1, 3.0 and 4.0; RFC 2426, RFC 6350), unfolded: its name, how much it is preferred and
 * its text in UTF-8, decoded once. What marks several values, and what keeps a sign from doing so, still stands in the text.
 */
final readonly class CardProperty
{
    private const LEAST_PREFERRED = 101;

    private function __construct(public string $name, public int $preference, public string $text)
    {
    }

    /** @param  string  $line  as bytes; nothing is given back for what is no property */
    public static function read(string $line): ?self
    {
        if (preg_match('/^(?:[A-Za-z0-9-]+\.)?([A-Za-z0-9-]+)((?:;(?:"[^"]*"|[^";:])*)*):(.*)$/sD', $line, $m) !== 1) {
            return null;
        }
        $charset = '';
        $isQuoted = self::isQuotedPrintable($line);
        $preference = self::LEAST_PREFERRED;
        preg_match_all('/;((?:"[^"]*"|[^";:])*)/', $m[2], $parameters);
        foreach ($parameters[1] as $parameter) {
            [$name, $value] = array_map(trim(...), str_contains($parameter, '=') ? explode('=', $parameter, 2) : ['TYPE', $parameter]);
            $value = trim($value, '"');
            $preference = match (strtoupper($name)) {
                'PREF' => ctype_digit($value) ? min($preference, max(1, (int) $value)) : $preference,
                'TYPE' => preg_match('/(?:^|,)\s*pref\s*(?:,|$)/i', $value) === 1 ? 1 : $preference,
                default => $preference,
            };
            $charset = strtoupper($name) === 'CHARSET' ? $value : $charset;
        }

        return new self(strtoupper($m[1]), $preference, self::text($isQuoted ? quoted_printable_decode($m[3]) : $m[3], $charset));
    }

    /** Does the value go on behind an equals sign at the end of the line? */
    public static function isQuotedPrintable(string $line): bool
    {
        return preg_match('/^[^:]*;\s*(?:ENCODING\s*=\s*"?)?QUOTED-PRINTABLE\b[^:]*:/i', $line) === 1;
    }

    private static function text(string $bytes, string $charset): string
    {
        // What is UTF-8 is not something else that was so named; encodings of seven bits show themselves by their escapes.
        if (mb_check_encoding($bytes, 'UTF-8') && ! str_contains($bytes, "\x1B")) {
            return $bytes;
        }

        return ($charset === '' ? null : TextEncoding::named($charset, $bytes)) ?? TextEncoding::ofBytes($bytes)->toUtf8($bytes);
    }
}
