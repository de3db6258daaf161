<?php

declare(strict_types=1);

namespace Tests;

use DOMAttr;
use DOMDocument;
use DOMXPath;

/**
 * A made-up language: every phrase is longer by half and stands in brackets, and whatever an owner wrote is in Greek letters. So
 * Latin letters outside brackets are words that nobody can say in another language. ICU has dates, numbers and names for its tag.
 */
final class MadeUp
{
    /** Georgian: ICU writes its dates in letters that are not Latin. */
    public const TAG = 'ka';

    /** What is the same in every language: kinds of files, units and zones by their signs, codes, and who comes by. */
    private const EVERYWHERE = '/\b(?:Robin|Ada Moss|Ada|PDF|KB|MB|CSV|UTC|GMT|EUR|USD|PNG|ZIP|DOCX)\b/';

    /** What of a page is told to somebody. */
    private const ATTRIBUTES = ['alt', 'title', 'placeholder', 'aria-label', 'aria-roledescription', 'aria-valuetext', 'label', 'download'];

    /** Data of pages that says nothing to anybody: ids, addresses, names of states. */
    private const QUIET = ['data-funnel', 'data-page', 'data-then', 'data-units', 'data-key', 'data-lang', 'data-zone', 'data-src',
        'data-block', 'data-style', 'data-now', 'data-from', 'data-until'];

    /**
     * @param  array<string, string>  $english  by key
     * @return array<string, string>
     */
    public static function phrases(array $english): array
    {
        $phrases = [];
        foreach ($english as $key => $text) {
            $phrases[$key] = '⟦'.$text.str_repeat('ა', max(1, intdiv(mb_strlen($text), 2))).'⟧';
        }

        return $phrases;
    }

    /** Words of an owner's, in Greek letters; what is none, such as an address or a merge field, as it is. */
    public static function greek(string $text): string
    {
        $keep = '~\{\{[^}|]*(?:\||\}\})|</?[a-zA-Z][^>]*>|&[a-z0-9#]+;|https?://\S+|[\w.+-]+@[\w.-]+|\[\[[^\]]*\]\]~';
        $parts = preg_split($keep, $text, -1, PREG_SPLIT_OFFSET_CAPTURE) ?: [];
        $said = '';
        $at = 0;
        foreach ($parts as [$part, $offset]) {
            $said .= substr($text, $at, $offset - $at).strtr($part, self::letters());
            $at = $offset + strlen($part);
        }

        return $said.substr($text, $at);
    }

    /**
     * Every text of a written form in Greek letters. A text is what has a space, or a capital in it.
     *
     * @param  array<mixed>  $written
     * @return array<mixed>
     */
    public static function greekIn(array $written): array
    {
        foreach ($written as $key => $value) {
            if (is_array($value)) {
                $written[$key] = self::greekIn($value);
            } elseif (is_string($value) && $key !== 'id' && preg_match('~^(?:[a-z0-9#/:_.+@-]*|[A-Z]{3}|[A-Z][a-z]+/[A-Z]\w+|P[0-9TDHM]+|'
                .'\d{4}-\d\d-\d\d.*|https?://\S+|\{\{[^}]*\}\})$~D', $value) !== 1) {
                $written[$key] = self::greek($value);
            }
        }

        return $written;
    }

    /** @return list<string> what a page says in Latin letters outside brackets */
    public static function foundInHtml(string $html): array
    {
        $document = new DOMDocument;
        @$document->loadHTML('<?xml encoding="UTF-8">'.$html, LIBXML_NOERROR);
        $path = new DOMXPath($document);
        $found = [];
        $texts = $path->query('//text()[not(ancestor::script or ancestor::style or ancestor::template)]');
        $words = [];
        foreach ($texts === false ? [] : $texts as $text) {
            $words[] = (string) $text->nodeValue;
        }
        // A phrase may have elements in it, and so be in several texts.
        foreach (explode("\1", self::outside(implode("\1", $words))) as $left) {
            $found = [...$found, ...self::found($left, '')];
        }
        $attributes = $path->query('//@*');
        foreach ($attributes === false ? [] : $attributes as $attribute) {
            if (! $attribute instanceof DOMAttr) {
                continue;
            }
            $element = $attribute->ownerElement;
            $name = $attribute->nodeName;
            $told = in_array($name, self::ATTRIBUTES, true)
                || ($name === 'value' && $element?->nodeName === 'input'
                    && in_array($element->getAttribute('type'), ['submit', 'button', 'reset'], true))
                || ($name === 'content' && preg_match('~description|title|og:site_name|image:alt~', $element?->getAttribute('name')
                    .$element?->getAttribute('property')) === 1);
            if ($told) {
                $found = [...$found, ...self::found($attribute->value, "{$name} of <{$element?->nodeName}>")];
            } elseif (str_starts_with($name, 'data-') && ! in_array($name, self::QUIET, true)) {
                $json = json_decode($attribute->value, true);
                $found = [...$found, ...(is_array($json) ? self::foundIn($json, $name) : self::sentences($attribute->value, $name))];
            }
        }
        $scripts = $path->query('//script[@type="application/json" or @type="application/ld+json"]');
        foreach ($scripts === false ? [] : $scripts as $script) {
            $json = json_decode((string) $script->textContent, true);
            $found = [...$found, ...self::foundIn(is_array($json) ? $json : [], 'script')];
        }

        return array_values(array_unique($found));
    }

    /**
     * What an answer in JSON says. Of its texts one that has no space is a name for a script, and HTML is read as such.
     *
     * @param  array<mixed>  $json
     * @return list<string>
     */
    public static function foundIn(array $json, string $where): array
    {
        $found = [];
        foreach ($json as $key => $value) {
            if (is_array($value)) {
                $found = [...$found, ...self::foundIn($value, "{$where} {$key}")];
            } elseif (is_string($value) && ! in_array($key, ['css', 'style', 'class'], true)) {
                $found = [...$found, ...(preg_match('/<\w+[ >]/', $value) === 1 ? self::foundInHtml($value)
                    : self::sentences($value, "{$where} {$key}"))];
            }
        }

        return $found;
    }

    /** @return list<string> the text and where it stands, if there are Latin letters outside brackets */
    public static function found(string $text, string $where): array
    {
        $left = self::outside($text);

        return preg_match('/[A-Za-zÀ-ɏ]{2,}/u', $left) === 1 ? [trim("{$where}: ".trim((string) preg_replace('/\s+/', ' ', $left)),
            ': ')] : [];
    }

    /** @return list<string> likewise, of what may be no words at all: a name for a script has neither space nor capital */
    private static function sentences(string $text, string $where): array
    {
        $left = self::outside($text);

        return preg_match('~^[a-z0-9_#./?=&:;,+|-]*$~', trim($left)) === 1 || ! preg_match('/[A-Za-z]{2,} |^[A-Z][a-z]+$/', trim($left))
            ? []
            : ["{$where}: ".trim($left)];
    }

    private static function outside(string $text): string
    {
        // Brackets may stand within each other, where one phrase is a value of another.
        do {
            $before = $text;
            $text = (string) preg_replace('/⟦[^⟦⟧]*⟧/u', ' ', $text);
        } while ($text !== $before);

        return (string) preg_replace(['~https?://\S+~', '~[\w.+-]+@[\w.-]+~', '~\blocalhost\S*~', self::EVERYWHERE], ' ', $text);
    }

    /** @return array<string, string> */
    private static function letters(): array
    {
        static $letters = null;

        return $letters ??= array_combine(mb_str_split('abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ'),
            mb_str_split('αβξδεφγηιϊκλμνοπθρστυϋωχψζΑΒΞΔΕΦΓΗΙΪΚΛΜΝΟΠΘΡΣΤΥΫΩΧΨΖ'));
    }
}
