<?php

declare(strict_types=1);

namespace App\Support;

use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/** Cleans the HTML that an owner writes: a few marks for words on pages, a few more for letters. */
final class RichText
{
    /** A link to a merge field is no address, so it stands in for one while the sanitiser looks at it. */
    private const STAND_IN = 'https://merge-field.invalid/';

    /** Words on a page: bold, italic, links, lists, line breaks. */
    public static function words(string $html): string
    {
        return self::clean($html, ['strong', 'em', 'b', 'i', 'br', 'p', 'ul', 'ol', 'li']);
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

    /** @param  list<string>  $elements */
    private static function clean(string $html, array $elements): string
    {
        $config = (new HtmlSanitizerConfig)->withMaxInputLength(100_000)
            ->allowLinkSchemes(['https', 'http', 'mailto'])->allowRelativeLinks(false)
            ->allowElement('a', ['href']);
        foreach ($elements as $element) {
            $config = $config->allowElement($element);
        }
        // What is neither allowed nor dangerous loses its tags and keeps its words.
        foreach (['div', 'span', 'u', 'font', 'section', 'article', 'h1', 'h4', 'h5', 'h6', 'blockquote', 'table', 'tbody', 'tr', 'td'] as $element) {
            if (! in_array($element, $elements, true)) {
                $config = $config->blockElement($element);
            }
        }
        $protected = (string) preg_replace('/(href=["\'])\{\{\s*([a-z_]{1,40})\s*\}\}(["\'])/i', '$1'.self::STAND_IN.'$2$3', $html);
        $clean = (new HtmlSanitizer($config))->sanitizeFor('body', $protected);

        return trim((string) preg_replace('~'.preg_quote(self::STAND_IN, '~').'([a-z_]{1,40})~', '{{$1}}', $clean));
    }
}
