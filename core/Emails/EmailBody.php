<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Rules\Rule;
use Lantern\Core\Rules\Rules;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * The body of an email as it is kept: sanitised HTML in which a `div` is one of two things and never holds another.
 * `<div data-part="ID"></div>` stands for a part that is kept once and used in many emails, such as a signature.
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
    public static function forReader(string $html, PersonState $person, DateTimeImmutable $now): string
    {
        return (string) preg_replace_callback(self::ONLY, fn (array $m): string => self::rule($m[1])?->holds($person, $now) === true
            ? $m[2] : '',
            $html);
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

    /** @return list<string> ids of the pages of the funnel it links to, each once */
    public static function pages(string $html): array
    {
        preg_match_all('/\{\{\s*page_([A-Za-z0-9-]{1,40})/', $html, $m);

        return array_values(array_unique($m[1]));
    }

    /** @return list<string> ids of the offers whose prices it names, each once */
    public static function offers(string $html): array
    {
        preg_match_all('/\{\{\s*price_([A-Za-z0-9-]{1,40})/', $html, $m);

        return array_values(array_unique($m[1]));
    }

    /** @return list<string> ids of the deadlines whose ends it names or shows, each once */
    public static function deadlines(string $html): array
    {
        preg_match_all('/\{\{\s*deadline_(?:left_)?([A-Za-z0-9-]{1,40})|<img[^>]*\bsrc="countdown:([A-Za-z0-9-]{1,40})"/', $html, $m);

        return array_values(array_unique(array_filter([...$m[1], ...$m[2]], fn (string $id): bool => $id !== '')));
    }

    /** @return list<string> ids of what it speaks of: pages, offers, deadlines, and what the rules of its conditional parts are about */
    public static function references(string $html): array
    {
        return array_values(array_unique([...self::pages($html), ...self::offers($html), ...self::deadlines($html),
            ...array_merge([], ...array_map(fn (Rule $r): array => $r->references(), self::rules($html)))]));
    }

    /** @return list<string> ids of the pictures in it, each once */
    public static function pictures(string $html): array
    {
        preg_match_all('~<img[^>]*\bsrc="picture:([A-Za-z0-9-]{1,40})"~', $html, $m);

        return array_values(array_unique($m[1]));
    }

    /**
     * The same with other ids where ids stand: in merge fields that name a page, an offer or a deadline, in pictures, and in the
     * rules of its conditional parts.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public static function withIds(string $html, array $ids): string
    {
        $html = (string) preg_replace_callback(
            '/(\{\{\s*(?:page|price|deadline_left|deadline)_|<img[^>]*\bsrc="(?:picture|countdown):)([A-Za-z0-9-]{1,40})/',
            fn (array $m): string => $m[1].($ids[$m[2]] ?? $m[2]), $html);

        return (string) preg_replace_callback(self::ONLY, function (array $m) use ($ids): string {
            $rule = self::rule($m[1])?->withIds($ids);

            return $rule === null ? $m[0] : '<div data-only="'
                .htmlspecialchars(json_encode($rule->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), ENT_QUOTES).'">'.$m[2]
                .'</div>';
        }, $html);
    }

    /** @return list<string> where its links lead, as written, each once */
    public static function links(string $html): array
    {
        preg_match_all('~<a\b[^>]*\bhref="([^"]*)"~', $html, $m);

        return array_values(array_unique(array_map(fn (string $h): string => html_entity_decode($h, ENT_QUOTES | ENT_HTML5), $m[1])));
    }
}
