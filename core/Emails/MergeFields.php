<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

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

    /** What every funnel knows of its owner. */
    public const OWNER = [
        'business' => 'Your business',
        'host' => 'Your name',
    ];

    /** What is known of somebody's session of a webinar. */
    public const SESSION = [
        'session_time' => 'Time of the session',
        'room_link' => 'Link into the room',
        'calendar_link' => 'Link to the calendar file',
        'change_link' => 'Link to change the session',
        'replay_link' => 'Link to the replay',
        'replay_end' => 'End of the replay',
        'webinar_title' => 'Title of the webinar',
    ];

    public const MOST_OWN = 40;

    private const NAME = '/^[a-z][a-z0-9_]{0,39}$/D';

    private const PATTERN = '/\{\{\s*([a-z][a-z0-9_]{0,39})\s*(?:\|([^{}|]{0,200}))?\}\}/u';

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

    /**
     * HTML with its merge fields filled in, each as the place where it stands needs it. In an address a value is only ever a part
     * of path or query; at its beginning stand whole addresses that are not a reader's, and a link with any other is no link.
     *
     * @param  callable(string $name, string $fallback): string  $text  HTML for text and for attributes that are no addresses
     * @param  callable(string $name, string $fallback): string  $part  a part of an address, as it may stand in an attribute
     * @param  array<string, string>  $whole  by name, what may be a whole address, as plain text
     */
    public static function html(string $html, callable $text, callable $part, array $whole): string
    {
        $escape = fn (string $s): string => htmlspecialchars($s, ENT_QUOTES);
        // What is filled in is not looked at again, so that nobody's value can ask for another's.
        $places = '~\s(href|src|srcset|action|formaction|poster)="([^"<>]*\{\{[^"<>]*)"|'.substr(self::PATTERN, 1, -2).'~iu';

        return (string) preg_replace_callback($places, function (array $m) use ($text, $part, $whole, $escape): string {
            if ($m[1] === '') {
                return self::replace($m[0], $text);
            }
            $address = self::address($m[2], $part, $whole, $escape);

            return $address === null ? '' : " {$m[1]}=\"{$address}\"";
        }, $html);
    }

    /**
     * An address with its merge fields filled in; null where one stands that may not: in the scheme or in the host.
     *
     * @param  callable(string $name, string $fallback): string  $part  likewise
     * @param  array<string, string>  $whole  likewise
     * @param  callable(string): string  $escape  for a whole address
     */
    public static function address(string $template, callable $part, array $whole, callable $escape): ?string
    {
        preg_match_all(self::PATTERN, $template, $fields, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        [$address, $at] = ['', 0];
        foreach ($fields as $field) {
            $address .= substr($template, $at, $field[0][1] - $at);
            $at = $field[0][1] + strlen($field[0][0]);
            $name = $field[1][0];
            $fallback = trim(html_entity_decode($field[2][0] ?? '', ENT_QUOTES | ENT_HTML5));
            if (trim($address) === '') {
                $first = trim($whole[$name] ?? '');
                if (preg_match('~^https?://[^\s{}<>"]+$~iD', $first) !== 1) {
                    return null;
                }
                $address = $escape($first);
            } elseif (preg_match('~^\s*(?:https?://[^/?#\s]+[/?#]|mailto:|tel:)~i',
                html_entity_decode($address, ENT_QUOTES | ENT_HTML5)) === 1) {
                $address .= $part($name, $fallback);
            } else {
                return null;
            }
        }

        return $address.substr($template, $at);
    }

    /** @return list<string> the names used in the text, each once, in order */
    public static function names(string $text): array
    {
        preg_match_all(self::PATTERN, $text, $m);

        return array_values(array_unique($m[1]));
    }

    /**
     * A funnel's own fields as they are written.
     *
     * @return array<string, string>
     *
     * @throws Invalid for a name that no merge field can have, or that is taken by a person's fields
     */
    public static function ownFields(?Shape $shape): array
    {
        $fields = [];
        foreach (array_keys($shape?->all() ?? []) as $name) {
            $fields[self::ownName((string) $name, $shape?->path((string) $name) ?? '')] = $shape?->text((string) $name, 300) ?? '';
        }
        if (count($fields) > self::MOST_OWN) {
            throw Invalid::at($shape?->path('') ?? '', 'A funnel has '.self::MOST_OWN.' fields of its own at most.');
        }

        return $fields;
    }

    /**
     * @param  list<string>  $names
     * @return list<string>
     */
    public static function parameterNames(array $names): array
    {
        return array_values(array_unique(array_map(fn (string $n): string => self::ownName($n, 'parameters'), $names)));
    }

    /** @throws Invalid */
    private static function ownName(string $name, string $path): string
    {
        if (preg_match(self::NAME, $name) !== 1) {
            throw Invalid::at($path, 'The name of a field holds small letters, digits and underscores, and begins with a letter.');
        }
        if (isset(self::PERSON[$name]) || isset(self::OWNER[$name]) || $name === 'download_link' || str_starts_with($name, 'page_')
            || str_starts_with($name, 'price_') || str_starts_with($name, 'deadline_')) {
            throw Invalid::at($path, "“{$name}” is known already; please choose another name.");
        }

        return $name;
    }
}
