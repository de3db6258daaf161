<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/**
 * Several values in one cell of a list: with semicolons between, and in quotes where one holds a sign that could part it, such as
 * `Teacher; "Berlin, Germany"`. A quote within quotes is written twice.
 */
final class ListCell
{
    /** @param  list<string>  $values */
    public static function write(array $values): string
    {
        return implode('; ', array_map(fn (string $value): string => preg_match('/[,;|"]|^\s|\s$|^$/u', $value) === 1
            ? '"'.str_replace('"', '""', $value).'"' : $value, $values));
    }

    /**
     * @param  string  $parted  the signs that part two values
     * @return list<string> without empty ones
     */
    public static function read(string $cell, string $parted = ',;|'): array
    {
        $between = '['.preg_quote($parted, '/').']';
        $values = [];
        // What begins with a quote and is not closed before the next sign that parts is no quoted value: it is taken as it stands.
        preg_match_all('/\G\s*(?:"((?:[^"]|"")*)"\s*(?='.$between.'|$)|((?:(?!'.$between.').)*))(?:'.$between.'|$)/su', $cell, $found,
            PREG_SET_ORDER);
        foreach ($found as $one) {
            $value = trim(($one[2] ?? '') !== '' ? $one[2] : str_replace('""', '"', $one[1]));
            if ($value !== '') {
                $values[] = $value;
            }
        }

        return $values;
    }
}
