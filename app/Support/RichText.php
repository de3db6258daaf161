<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Contracts\Support\Htmlable;
use Lantern\Core\Emails\EmailBody;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/**
 * Clean HTML: a few marks for words on pages, a few more for emails. The only ways to one go through the sanitiser, so that what
 * takes a RichText can print it as it is, whichever door it came in by.
 */
final class RichText implements Htmlable
{
    /** So many are kept, since an email is written to many readers, and a page is drawn again and again. */
    private const MOST_KEPT = 500;

    /** @var array<string, self> by what they were made of */
    private static array $kept = [];

    /** @var array<string, HtmlSanitizer> made once for each set of what is allowed */
    private static array $sanitizers = [];

    /** A link to a merge field is no address, so it stands in for one while the sanitiser looks at it. */
    private const STAND_IN = 'https://merge-field.invalid/';

    /** Words may be set in a colour of the look by these classes, and by no others. */
    private const COLOURS = ['in-accent', 'in-soft'];

    /** So does a picture of the library. */
    private const PICTURE = 'https://picture.invalid/';

    /** So does one to a page, a section or an outcome, as {@see \Lantern\Core\Page\Block\Link} reads them. */
    private const INSIDE = 'https://inside-link.invalid/';

    private function __construct(public readonly string $html)
    {
    }

    public function toHtml(): string
    {
        return $this->html;
    }

    /** Words on a page: bold, italic, colours of the look, links, lists, line breaks. */
    public static function words(string $html): self
    {
        return self::kept("words {$html}", fn (): string => self::wordsOf($html));
    }

    /**
     * The body of an email: the same, and headings, lines, quotes, pictures from the library, parts that are kept once,
     * and parts for some readers only, as {@see EmailBody} reads them.
     */
    public static function email(string $html): self
    {
        return self::kept("email {$html}", fn (): string => self::emailOf($html));
    }

    /**
     * The same with its links to pages, sections and outcomes leading where they lead.
     *
     * @param  callable(string): (string|null)  $address  is given what is linked to, such as `page:ID`, and
     *     answers with an address ready for an attribute, or nothing
     */
    public function withLinks(callable $address): self
    {
        return new self((string) preg_replace_callback('/href="((?:page|section|outcome):[A-Za-z0-9_-]+)"/',
            fn (array $m): string => ($to = $address($m[1])) === null ? '' : 'href="'.$to.'"', $this->html));
    }

    /** @param  callable(): string  $clean */
    private static function kept(string $key, callable $clean): self
    {
        $key = hash('xxh128', $key);
        if (! isset(self::$kept[$key])) {
            self::$kept = array_slice(self::$kept, -self::MOST_KEPT + 1, preserve_keys: true) + [$key => new self($clean())];
        }

        return self::$kept[$key];
    }

    private static function wordsOf(string $html): string
    {
        $html = (string) preg_replace('/(href=["\'])(page|section|outcome|popup):([A-Za-z0-9_-]{1,40})(["\'])/i',
            '$1'.self::INSIDE.'$2/$3$4',
            $html);
        $clean = self::clean($html, ['strong', 'em', 'b', 'i', 'br', 'p', 'ul', 'ol', 'li'], ['span'], ['tel']);
        $clean = (string) preg_replace('~'.preg_quote(self::INSIDE, '~').'(page|section|outcome|popup)/([A-Za-z0-9_-]{1,40})~', '$1:$2',
            $clean);
        // The sanitiser has written the attributes anew, so that they stand in one way only.
        $clean = (string) preg_replace_callback('/<span(?: class="([^"]*)")?>/',
            fn (array $m): string => in_array($m[1] ?? '', self::COLOURS, true) ? $m[0] : '<span>', $clean);
        do {
            // A span that sets no colour says nothing; the innermost goes first.
            $clean = (string) preg_replace('~<span>((?:(?!</?span)[\s\S])*)</span>~', '$1', $clean, -1, $taken);
            $coloured = (string) preg_replace('~<span class="([^"]*)">((?:(?!</?span)[\s\S])*)</span>~', "\x02$1\x03$2\x04", $clean, -1,
                $hidden);
            $clean = $coloured;
        } while ($taken + $hidden > 0);

        return (string) preg_replace(['/\x02([a-z-]*)\x03/', '/\x04/'], ['<span class="$1">', '</span>'], $clean);
    }

    private static function emailOf(string $html): string
    {
        $html = (string) preg_replace('/src=(["\'])(picture|countdown):([a-z0-9]{26})\1/i', 'src="'.self::PICTURE.'$2-$3"', $html);
        $clean = self::clean($html, ['strong', 'em', 'b', 'i', 'br', 'p', 'ul', 'ol', 'li', 'h2', 'h3', 'hr', 'blockquote'],
            more: ['img' => ['src', 'alt'], 'div' => ['data-part', 'data-only']]);
        // Only pictures of the library, and only marks that say what they must.
        $clean = (string) preg_replace_callback('~<img\b([^>]*)>~',
            fn (array $m): string => preg_match('~src="'.preg_quote(self::PICTURE, '~').'(picture|countdown)-([a-z0-9]{26})"~', $m[1],
                $src) === 1 ? '<img src="'.$src[1].':'.$src[2].'" alt="'.(preg_match('~alt="([^"]*)"~', $m[1], $alt) === 1
                    ? $alt[1] : '').'">' : '', $clean);
        $clean = str_replace('<hr />', '<hr>', $clean);
        $depth = [];

        return (string) preg_replace_callback('~<div([^>]*)>|</div>~', function (array $m) use (&$depth): string {
            if (! isset($m[1])) {
                return array_pop($depth) === true ? '</div>' : '';
            }
            $part = preg_match('~data-part="([A-Za-z0-9-]{1,40})"~', $m[1], $id) === 1 ? '<div data-part="'.$id[1].'">' : null;
            $rule = preg_match('~data-only="([^"]*)"~', $m[1], $json) === 1 ? EmailBody::rule($json[1]) : null;
            // Neither stands within another.
            $keep = ($part !== null || $rule !== null) && ! in_array(true, $depth, true);
            $depth[] = $keep;

            return ! $keep ? '' : $part
                ?? '<div data-only="'.e(json_encode($rule?->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)).'">';
        }, $clean);
    }

    /** One line or more without any marks. */
    public static function plain(string $text): string
    {
        return trim((string) preg_replace(['/[^\P{C}\n\t]+/u', '/[ \t]{2,}/'], ['', ' '], $text));
    }

    /** One line without any marks, such as a subject. */
    public static function line(string $text): string
    {
        return (string) preg_replace('/\s+/u', ' ', self::plain($text));
    }

    /**
     * @param  list<string>  $elements
     * @param  list<string>  $classed  elements that may have a class
     * @param  list<string>  $schemes  beside https, http and mailto
     * @param  array<string, list<string>>  $more  elements with the attributes they may have
     */
    private static function clean(string $html, array $elements, array $classed = [], array $schemes = [], array $more = []): string
    {
        // Words without any mark or entity are as clean as they can be, and most are.
        if (strpbrk($html, "<>&\0") === false) {
            return trim($html);
        }
        $sanitizer = self::$sanitizers[implode(' ',
            [...$elements, '|', ...$classed, '|', ...$schemes, '|', ...array_keys($more)])] ??= new HtmlSanitizer(self::config($elements,
                $classed, $schemes, $more));
        $protected = (string) preg_replace('/(href=["\'])\{\{\s*([a-z0-9_]{1,40})\s*\}\}(["\'])/i', '$1'.self::STAND_IN.'$2$3', $html);
        $clean = $sanitizer->sanitizeFor('body', $protected);

        // Breaks are written as the starters write them, so that what was never touched stays the same to the email.
        $clean = str_replace('<br />', '<br>', $clean);

        return trim((string) preg_replace('~'.preg_quote(self::STAND_IN, '~').'([a-z0-9_]{1,40})~', '{{$1}}', $clean));
    }

    /**
     * @param  list<string>  $elements
     * @param  list<string>  $classed
     * @param  list<string>  $schemes
     * @param  array<string, list<string>>  $more
     */
    private static function config(array $elements, array $classed, array $schemes, array $more): HtmlSanitizerConfig
    {
        $config = (new HtmlSanitizerConfig)->withMaxInputLength(400_000)
            ->allowLinkSchemes(['https', 'http', 'mailto', ...$schemes])->allowRelativeLinks(false)->allowMediaSchemes(['https'])
            ->allowMediaHosts(['picture.invalid'])
            ->allowElement('a', ['href']);
        foreach ($elements as $element) {
            $config = $config->allowElement($element);
        }
        foreach ($classed as $element) {
            $config = $config->allowElement($element, ['class']);
        }
        foreach ($more as $element => $attributes) {
            $config = $config->allowElement($element, $attributes);
        }
        // What is neither allowed nor dangerous loses its tags and keeps its words.
        foreach (['div', 'span', 'u', 'font', 'section', 'article', 'h1', 'h4', 'h5', 'h6', 'blockquote', 'table', 'tbody', 'tr',
            'td'] as $element) {
            if (! in_array($element, [...$elements, ...$classed, ...array_keys($more)], true)) {
                $config = $config->blockElement($element);
            }
        }

        return $config;
    }
}
