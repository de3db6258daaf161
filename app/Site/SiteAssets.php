<?php

declare(strict_types=1);

namespace App\Site;

use Illuminate\Support\Str;
use Lantern\Core\Page\Look;
use RuntimeException;

/** What a public page loads: its styles stand in the page itself, its fonts and one small script are files. */
final class SiteAssets
{
    /** @var array<string, string> */
    private static array $read = [];

    public static function head(Look $look, bool $script): string
    {
        $fonts = [[$look->headingFont, $look->headingWeight], [$look->bodyFont, 400], [$look->bodyFont, 700]];
        $preload = '';
        foreach (array_unique($fonts, SORT_REGULAR) as [$family, $weight]) {
            $preload .= '<link rel="preload" as="font" type="font/woff2" crossorigin href="'.self::font($family, $weight).'">';
        }

        return $preload.'<style>'.self::faces($fonts, $script ? 'optional' : 'swap').self::css().'</style>'
            .($script ? '<script type="module" src="'.self::built('resources/site/visitor.ts')['url'].'"></script>' : '');
    }

    public static function css(): string
    {
        return self::built('resources/site/site.css')['text'];
    }

    /**
     * Font faces for a look. For visitors a font that is late is not swapped in, so that the page never jumps under
     * their eyes; on the desk it is, since there the look is what is being looked at.
     *
     * @param  list<array{string, int}>  $fonts
     */
    private static function faces(array $fonts, string $display): string
    {
        $css = '';
        foreach (array_unique($fonts, SORT_REGULAR) as [$family, $weight]) {
            foreach (['latin-ext' => 'U+0100-02BA,U+1E00-1E9F,U+1EF2-1EFF,U+2C60-2C7F', 'latin' => 'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02DC,U+2000-206F,U+20AC,U+2122,U+2191-2193,U+2212'] as $subset => $range) {
                $css .= "@font-face{font-family:'{$family}';font-weight:{$weight};font-display:{$display};src:url("
                    .self::font($family, $weight, $subset).") format('woff2');unicode-range:{$range}}";
            }
        }

        return $css;
    }

    private static function font(string $family, int $weight, string $subset = 'latin'): string
    {
        return '/build/fonts/'.Str::slug($family).'-'.$subset.'-'.$weight.'-normal.woff2';
    }

    /** @return array{url: string, text: string} */
    private static function built(string $entry): array
    {
        $manifest = json_decode((string) @file_get_contents(public_path('build/manifest.json')), true);
        $file = is_array($manifest) && is_array($manifest[$entry] ?? null) ? $manifest[$entry]['file'] ?? null : null;
        if (! is_string($file)) {
            throw new RuntimeException('The front end is not built yet: run bin/demo --prepare.');
        }

        return ['url' => '/build/'.$file, 'text' => self::$read[$file] ??= str_ends_with($file, '.css') ? (string) file_get_contents(public_path('build/'.$file)) : ''];
    }
}
