<?php

declare(strict_types=1);

namespace App\Rendering;

use Lantern\Core\Languages\Language;
use Lantern\Core\Page\Look\Look;
use RuntimeException;

/** What a public page loads: its styles stand in the page itself, its fonts and one small script are files. */
final class SiteAssets
{
    /** What else runs on a page, by the part of the styles that comes with it. */
    private const SCRIPTS = ['countdown' => 'resources/site/countdown.ts', 'webinar' => 'resources/site/webinar.ts',
        'pay' => 'resources/site/checkout.ts', 'share' => 'resources/site/share.ts', 'entrance' => 'resources/site/entrance.ts',
        'guide' => 'resources/site/guide.ts'];

    /** Of these, what does its work on a page that no server stands behind. */
    private const ALONE = ['resources/site/countdown.ts', 'resources/site/share.ts', 'resources/site/entrance.ts',
        'resources/site/guide.ts'];

    /** @var array<string, string> */
    private static array $read = [];

    /** @var array{string, array<string, string>} as which it was read, and what it says */
    private static array $manifest = ['', []];

    public static function head(PageAssets $assets, bool $script): string
    {
        $preload = '';
        foreach (self::firstFiles($assets) as $url) {
            $preload .= '<link rel="preload" as="font" type="font/woff2" crossorigin href="'.$url.'">';
        }

        return $preload.'<style>'.self::faces($assets).self::css($assets->groups).'</style>'
            .($script ? '<script type="module" src="'.self::script().'"></script>' : '')
            .($script ? implode('', array_map(fn (string $of): string => '<script type="module" src="'.self::built($of)['url']
                .'"></script>', self::scripts($assets))) : '');
    }

    /** The same for a page that is opened from a folder: script in the page, since a browser loads none from beside it. */
    public static function inline(PageAssets $assets): string
    {
        return '<style>'.self::faces($assets).self::css($assets->groups).'</style>'
            .'<script type="module">'.self::text('resources/site/visitor.ts').'</script>'
            .implode('', array_map(fn (string $of): string => '<script type="module">'.self::text($of).'</script>',
                array_values(array_intersect(self::scripts($assets), self::ALONE))));
    }

    /** @return list<string> the scripts that a page needs beside that of every page */
    private static function scripts(PageAssets $assets): array
    {
        return array_values(array_intersect_key(self::SCRIPTS, array_flip($assets->groups)));
    }

    /** @param  list<string>  $groups */
    public static function css(array $groups): string
    {
        return implode('', array_map(fn (string $g): string => self::built("resources/site/{$g}.css")['text'], $groups));
    }

    /** What a built file says, for putting it into another one. */
    public static function text(string $entry): string
    {
        return (string) file_get_contents(public_path(ltrim(self::built($entry)['url'], '/')));
    }

    /** The script of the card fields of practice payments. */
    public static function card(): string
    {
        return self::built('resources/site/card.ts')['url'];
    }

    /** For a page of the application's own making on which something is paid. */
    public static function pay(Look $look, Language $language): string
    {
        return self::head(PageAssets::ofLook($look, $language->tag),
            false).'<style>'.self::css(['pay']).'</style><script type="module" src="'
            .self::built('resources/site/checkout.ts')['url'].'"></script>';
    }

    /** The script of pop-ups, which runs on our pages and on the owner's other sites. */
    public static function popups(): string
    {
        return self::built('resources/site/popup.ts')['url'];
    }

    /**
     * Styles for a style scope on a page whose root may have any font size: what is measured by it is measured by ours.
     *
     * @param  list<string>  $groups
     */
    public static function scopedCss(array $groups): string
    {
        return self::scoped(self::css($groups));
    }

    /** Likewise, of styles as they are written, or of the style attributes in HTML. */
    public static function scoped(string $css): string
    {
        // In the conditions of media queries the root's size is the browser's own, and properties mean nothing.
        return (string) preg_replace_callback('/@media[^{]*\{|(?<![\w.-])(\d*\.?\d+)rem\b/',
            fn (array $m): string => isset($m[1]) ? "calc({$m[1]}*var(--rem,16px))" : $m[0], $css);
    }

    /** The script that sends a form again which could not be taken, as a tag. */
    public static function busy(): string
    {
        return '<script type="module" src="'.self::built('resources/site/busy.ts')['url'].'"></script>';
    }

    public static function script(): string
    {
        return self::built('resources/site/visitor.ts')['url'];
    }

    /** @return list<string> the font files of a page, for taking it elsewhere: addresses below the web root */
    public static function fontFiles(PageAssets $assets): array
    {
        $files = [];
        foreach ($assets->fonts as [$family, $weight]) {
            array_push($files, ...array_column(FontFiles::of($family, $weight, $assets->language), 'url'));
        }
        $files = array_unique($files);

        return array_values(array_filter($files, fn (string $f): bool => is_file(public_path(ltrim($f, '/')))));
    }

    /**
     * Font faces for a look, and those that stand in until its fonts have come: of the same width and height, so that nothing jumps
     * under anybody's eyes when they do.
     */
    private static function faces(PageAssets $assets): string
    {
        $css = '';
        foreach ($assets->fonts as [$family, $weight]) {
            foreach (FontFiles::of($family, $weight, $assets->language) as ['url' => $url, 'range' => $range]) {
                $css .= "@font-face{font-family:'{$family}';font-weight:{$weight};font-display:swap;src:url({$url}) format('woff2');"
                    ."unicode-range:{$range}}";
            }
            [$drawn, $drawnWeight] = FontFiles::drawnIn($family, $weight, $assets->language);
            $sizes = $assets->sizes["{$family} {$weight}"] ?? StandIns::sizes($drawn, $drawnWeight, '');
            $css .= StandIns::faces($family, $weight, $sizes, $drawn);
        }

        return $css;
    }

    /** @return list<string> the files that a page is sure to need, to be fetched at once */
    private static function firstFiles(PageAssets $assets): array
    {
        $urls = [];
        foreach (array_unique($assets->first, SORT_REGULAR) as [$family, $weight]) {
            foreach (FontFiles::of($family, $weight, $assets->language) as $file) {
                if ($file['first']) {
                    $urls[] = $file['url'];
                }
            }
        }

        return array_values(array_unique($urls));
    }

    /**
     * Read once by each process, until it is built anew: a page asks for it as often as it has styles.
     *
     * @return array<string, string> files by what they were built of
     */
    private static function manifest(): array
    {
        // Scripts that must be one file each are built by themselves.
        $paths = [public_path('build/manifest.json'), public_path('build/popup-manifest.json')];
        $as = implode(' ', array_map(fn (string $path): string => (string) @filemtime($path).(string) @filesize($path), $paths));
        if (self::$manifest[0] !== $as) {
            $files = [];
            foreach ($paths as $path) {
                foreach ((array) json_decode((string) @file_get_contents($path), true) as $entry => $built) {
                    $files += is_array($built) && is_string($built['file'] ?? null) ? [(string) $entry => $built['file']] : [];
                }
            }
            self::$manifest = [$as, $files];
        }

        return self::$manifest[1];
    }

    /** @return array{url: string, text: string} */
    private static function built(string $entry): array
    {
        $file = self::manifest()[$entry] ?? null;
        if ($file === null) {
            throw new RuntimeException('The front end is not built yet: run bin/demo --prepare.');
        }

        return ['url' => '/build/'.$file,
            'text' => self::$read[$file] ??= str_ends_with($file, '.css') ? (string) file_get_contents(public_path('build/'.$file)) : ''];
    }
}
