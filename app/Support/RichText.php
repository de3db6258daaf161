<?php

declare(strict_types=1);

namespace App\Support;

use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/** Cleans the HTML that an owner writes: a few marks for words on pages, a few more for letters. */
final class RichText
{
    /** @var array<string, HtmlSanitizer> made once for each set of what is allowed */
    private static array $sanitizers = [];

    /** A link to a merge field is no address, so it stands in for one while the sanitiser looks at it. */
    private const STAND_IN = 'https://merge-field.invalid/';

    /** Words may be set in a colour of the look by these classes, and by no others. */
    private const COLOURS = ['in-accent', 'in-soft'];

    /** So does one to a page, a section or an outcome, as {@see \Lantern\Core\Page\Link} reads them. */
    private const INSIDE = 'https://inside-link.invalid/';

    /** Words on a page: bold, italic, colours of the look, links, lists, line breaks. */
    public static function words(string $html): string
    {
        $html = (string) preg_replace('/(href=["\'])(page|section|outcome):([A-Za-z0-9_-]{1,40})(["\'])/i', '$1'.self::INSIDE.'$2/$3$4', $html);
        $clean = self::clean($html, ['strong', 'em', 'b', 'i', 'br', 'p', 'ul', 'ol', 'li'], ['span'], ['tel']);
        $clean = (string) preg_replace('~'.preg_quote(self::INSIDE, '~').'(page|section|outcome)/([A-Za-z0-9_-]{1,40})~', '$1:$2', $clean);
        // The sanitiser has written the attributes anew, so that they stand in one way only.
        $clean = (string) preg_replace_callback('/<span(?: class="([^"]*)")?>/', fn (array $m): string => in_array($m[1] ?? '', self::COLOURS, true) ? $m[0] : '<span>', $clean);
        do {
            // A span that sets no colour says nothing; the innermost goes first.
            $clean = (string) preg_replace('~<span>((?:(?!</?span)[\s\S])*)</span>~', '$1', $clean, -1, $taken);
            $coloured = (string) preg_replace('~<span class="([^"]*)">((?:(?!</?span)[\s\S])*)</span>~', "\x02$1\x03$2\x04", $clean, -1, $hidden);
            $clean = $coloured;
        } while ($taken + $hidden > 0);

        return (string) preg_replace(['/\x02([a-z-]*)\x03/', '/\x04/'], ['<span class="$1">', '</span>'], $clean);
    }

    /** The body of a letter: the same, and headings. */
    public static function letter(string $html): string
    {
        return self::clean($html, ['strong', 'em', 'b', 'i', 'br', 'p', 'ul', 'ol', 'li', 'h2', 'h3']);
    }

    /** One line or more without any marks. */
    public static function plain(string $text): string
    {
        return trim((string) preg_replace(['/[^\P{C}\n\t]+/u', '/[ \t]{2,}/'], ['', ' '], $text));
    }

    /**
     * @param  list<string>  $elements
     * @param  list<string>  $classed  elements that may have a class
     * @param  list<string>  $schemes  beside https, http and mailto
     */
    private static function clean(string $html, array $elements, array $classed = [], array $schemes = []): string
    {
        // Words without any mark or entity are as clean as they can be, and most are.
        if (strpbrk($html, "<>&\0") === false) {
            return trim($html);
        }
        $sanitizer = self::$sanitizers[implode(' ', [...$elements, '|', ...$classed, '|', ...$schemes])] ??= new HtmlSanitizer(self::config($elements, $classed, $schemes));
        $protected = (string) preg_replace('/(href=["\'])\{\{\s*([a-z0-9_]{1,40})\s*\}\}(["\'])/i', '$1'.self::STAND_IN.'$2$3', $html);
        $clean = $sanitizer->sanitizeFor('body', $protected);

        // Breaks are written as the starters write them, so that what was never touched stays the same to the letter.
        $clean = str_replace('<br />', '<br>', $clean);

        return trim((string) preg_replace('~'.preg_quote(self::STAND_IN, '~').'([a-z0-9_]{1,40})~', '{{$1}}', $clean));
    }

    /**
     * @param  list<string>  $elements
     * @param  list<string>  $classed
     * @param  list<string>  $schemes
     */
    private static function config(array $elements, array $classed, array $schemes): HtmlSanitizerConfig
    {
        $config = (new HtmlSanitizerConfig)->withMaxInputLength(100_000)
            ->allowLinkSchemes(['https', 'http', 'mailto', ...$schemes])->allowRelativeLinks(false)
            ->allowElement('a', ['href']);
        foreach ($elements as $element) {
            $config = $config->allowElement($element);
        }
        foreach ($classed as $element) {
            $config = $config->allowElement($element, ['class']);
        }
        // What is neither allowed nor dangerous loses its tags and keeps its words.
        foreach (['div', 'span', 'u', 'font', 'section', 'article', 'h1', 'h4', 'h5', 'h6', 'blockquote', 'table', 'tbody', 'tr', 'td'] as $element) {
            if (! in_array($element, [...$elements, ...$classed], true)) {
                $config = $config->blockElement($element);
            }
        }

        return $config;
    }
}
