<?php

declare(strict_types=1);

namespace App\Rendering;

use Illuminate\Support\Str;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use RuntimeException;

/** What a public page loads: its styles stand in the page itself, its fonts and one small script are files. */
final class SiteAssets
{
    /** @var array<string, string> */
    private static array $read = [];

    /** The parts of the styles beside the base, which is always there; blocks say which they need. */
    private const GROUPS = ['points', 'proof', 'sell', 'media'];

    /**
     * @param  list<Look>  $looks  the page's own first
     * @param  list<string>  $groups  of styles
     */
    public static function head(array $looks, array $groups, bool $script): string
    {
        $preload = '';
        foreach (array_unique($looks[0]->fonts(), SORT_REGULAR) as [$family, $weight]) {
            $preload .= '<link rel="preload" as="font" type="font/woff2" crossorigin href="'.self::font($family, $weight).'">';
        }

        return $preload.'<style>'.self::faces(self::fontsOf($looks), $script ? 'optional' : 'swap').self::css($groups).'</style>'
            .($script ? '<script type="module" src="'.self::script().'"></script>' : '');
    }

    /**
     * The same for a page that is opened from a folder: script in the page, since a browser loads none from beside it.
     *
     * @param  list<Look>  $looks
     * @param  list<string>  $groups
     */
    public static function inline(array $looks, array $groups): string
    {
        return '<style>'.self::faces(self::fontsOf($looks), 'swap').self::css($groups).'</style>'
            .'<script type="module">'.file_get_contents(public_path(ltrim(self::script(), '/'))).'</script>';
    }

    /** @return non-empty-list<Look> the looks a page is drawn in, its own first */
    public static function looksOf(Plan $plan, PagePlan $page): array
    {
        return [$plan->lookOf($page->document->look), ...array_map(fn (string $id): Look => $plan->lookOf($id), $page->document->looks())];
    }

    /** @return list<string> the parts of the styles that a page needs; the desk has all of them, since anything may be added there */
    public static function groupsOf(PagePlan $page, bool $all = false): array
    {
        $groups = ['base'];
        $needed = array_map(fn (Block $b): string => Blocks::of($b->kind)->css, $page->document->blocks());
        foreach (self::GROUPS as $group) {
            $used = in_array($group, $needed, true);
            // Pictures and videos behind a section need the styles of media too.
            $behind = $group === 'media' && array_filter($page->document->sections, fn (Section $s): bool => $s->background->picture !== null || $s->background->video !== null) !== [];
            if ($all || $used || $behind) {
                $groups[] = $group;
            }
        }

        return $groups;
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

    public static function script(): string
    {
        return self::built('resources/site/visitor.ts')['url'];
    }

    /**
     * @param  list<Look>  $looks
     * @return list<array{string, int}>
     */
    private static function fontsOf(array $looks): array
    {
        return array_values(array_unique(array_merge(...array_map(fn (Look $l): array => $l->fonts(), $looks)), SORT_REGULAR));
    }

    /**
     * The font files of some looks, for taking pages elsewhere.
     *
     * @param  list<Look>  $looks
     * @return list<string> addresses below the web root
     */
    public static function fontFiles(array $looks): array
    {
        $files = [];
        foreach (self::fontsOf($looks) as [$family, $weight]) {
            array_push($files, self::font($family, $weight), self::font($family, $weight, 'latin-ext'));
        }

        return array_values(array_filter($files, fn (string $f): bool => is_file(public_path(ltrim($f, '/')))));
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
        foreach ($fonts as [$family, $weight]) {
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
