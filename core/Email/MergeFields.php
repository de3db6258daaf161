<?php

declare(strict_types=1);

namespace Lantern\Core\Email;

/**
 * Fills `{{name|fallback}}` in a text with what is known of its reader. A name that is not known, or known to be
 * empty, gives the fallback; without a fallback it gives nothing. What is filled in is never searched again, so a
 * person cannot smuggle a merge field in through their own name.
 */
final class MergeFields
{
    /** The fields of a person that may be used, with what they are called in the Studio. */
    public const PERSON = [
        'first_name' => 'First name',
        'last_name' => 'Last name',
        'email' => 'Email address',
    ];

    private const PATTERN = '/\{\{\s*([a-z_]{1,40})\s*(?:\|([^{}|]{0,200}))?\}\}/u';

    /**
     * @param  array<string, string>  $values  by field name
     * @param  callable(string): string  $escape  applied to every value and fallback, such as an HTML escaper
     */
    public static function fill(string $text, array $values, callable $escape): string
    {
        return self::replace($text, function (string $name, string $fallback) use ($values, $escape): string {
            $value = trim($values[$name] ?? '');

            return $escape($value === '' ? $fallback : $value);
        });
    }

    /** @param  callable(string $name, string $fallback): string  $with */
    public static function replace(string $text, callable $with): string
    {
        return (string) preg_replace_callback(
            self::PATTERN,
            fn (array $m): string => $with($m[1], trim(html_entity_decode($m[2] ?? '', ENT_QUOTES | ENT_HTML5))),
            $text,
        );
    }

    /** @return list<string> the names used in the text, each once, in order */
    public static function names(string $text): array
    {
        preg_match_all(self::PATTERN, $text, $m);

        return array_values(array_unique($m[1]));
    }
}
