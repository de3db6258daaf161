<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

use Lantern\Core\Rules\PersonFacts;
use Lantern\Core\Rules\Rule;
use Lantern\Core\Rules\Rules;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * The body of a letter as it is kept: sanitised HTML in which a `div` is one of two things and never holds another.
 * `<div data-part="ID"></div>` stands for a part that is kept once and used in many letters, such as a signature.
 * `<div data-only='{"kind":"tag",…}'>…</div>` is for those readers only for whom the rule holds.
 */
final class EmailBody
{
    private const PART = '~<div data-part="([A-Za-z0-9-]{1,40})">[^<]*</div>~';

    private const ONLY = '~<div data-only="([^"]*)">([\s\S]*?)</div>~';

    /**
     * With the parts in their places; one that is gone leaves nothing.
     *
     * @param  array<string, string>  $parts  bodies by id
     */
    public static function withParts(string $html, array $parts): string
    {
        return (string) preg_replace_callback(self::PART, fn (array $m): string => $parts[$m[1]] ?? '', $html);
    }

    /** @return list<string> ids of the parts it uses */
    public static function parts(string $html): array
    {
        preg_match_all(self::PART, $html, $m);

        return array_values(array_unique($m[1]));
    }

    /** What one reader gets to read. A condition that cannot be read holds for nobody. */
    public static function forReader(string $html, PersonFacts $facts): string
    {
        return (string) preg_replace_callback(self::ONLY, fn (array $m): string => self::rule($m[1])?->holds($facts) === true ? $m[2] : '', $html);
    }

    /** All of it, whoever reads. */
    public static function forEverybody(string $html): string
    {
        return (string) preg_replace(self::ONLY, '$2', $html);
    }

    /** @return list<Rule> */
    public static function rules(string $html): array
    {
        preg_match_all(self::ONLY, $html, $m);

        return array_values(array_filter(array_map(self::rule(...), $m[1]), fn (?Rule $r): bool => $r !== null));
    }

    /** @param  string  $attribute as it stands in the HTML */
    public static function rule(string $attribute): ?Rule
    {
        try {
            return Rules::fromShape(Shape::of(json_decode(html_entity_decode($attribute, ENT_QUOTES | ENT_HTML5), true), 'only'));
        } catch (Invalid) {
            return null;
        }
    }

    /** @return list<string> where its links lead, as written, each once */
    public static function links(string $html): array
    {
        preg_match_all('~<a\b[^>]*\bhref="([^"]*)"~', $html, $m);

        return array_values(array_unique(array_map(fn (string $h): string => html_entity_decode($h, ENT_QUOTES | ENT_HTML5), $m[1])));
    }
}
