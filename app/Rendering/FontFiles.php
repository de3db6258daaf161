<?php

declare(strict_types=1);

namespace App\Rendering;

use Illuminate\Support\Str;

/**
 * Of which files a font of a look is made on a page in some language, and which letters each of them has. A browser fetches those alone
 * whose letters stand on the page. Where two have a letter, the later one draws it.
 */
final class FontFiles
{
    private const LATIN = 'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02DC,U+2000-206F,U+20AC,U+2122,U+2191-2193,U+2212';

    private const OTHER_LATIN = 'U+0100-02BA,U+1E00-1E9F,U+1EF2-1EFF,U+2C60-2C7F';

    /**
     * Languages that need letters of the second Latin file, and few of the first one's: what they need of either is in two small files,
     * the same that `vite.config.ts` cuts out.
     */
    private const LETTERS = ['pl' => 'U+0104-0107,U+0118-0119,U+0141-0144,U+015A-015B,U+0179-017C'];

    /** Blanks, digits, signs and the letters of English, and Ó. */
    private const PLAIN = 'U+0020-007E,U+00A0,U+00A7,U+00AB,U+00B0,U+00B7,U+00BB,U+00D7,U+00D3,U+00F3,U+2000-206F,U+20AC,U+2212';

    /** Languages whose letters no font of a look has, and the font that has them, for headings and text alike. */
    private const SCRIPTS = ['he' => 'Noto Sans Hebrew', 'yi' => 'Noto Sans Hebrew'];

    private const SCRIPT = 'U+0307-0308,U+0590-05FF,U+200C-2010,U+20AA,U+25CC,U+FB1D-FB4F';

    private const STRONG = ['DM Serif Display'];

    /** Blanks, digits and signs as that font has them: a page without a Latin letter fetches no Latin font for their sake. */
    private const SIGNS = 'U+0020-0040,U+005B-0060,U+007B-007E,U+00A0-00BF,U+00D7,U+2011-2027,U+2030-205E,U+20AC,U+2212';

    /** @return list<array{url: string, range: string, first: bool}> addresses below the web root; `first` are those that most pages need */
    public static function of(string $family, int $weight, string $language): array
    {
        $base = explode('-', $language)[0];
        $script = self::SCRIPTS[$base] ?? null;
        $files = [['url' => self::url($family, 'latin-ext', $weight), 'range' => self::OTHER_LATIN, 'first' => false],
            ['url' => self::url($family, 'latin', $weight), 'range' => self::LATIN,
                'first' => $script === null && ! isset(self::LETTERS[$base])]];
        if (isset(self::LETTERS[$base])) {
            $files[] = ['url' => self::url($family, 'plain', $weight), 'range' => self::PLAIN, 'first' => true];
            $files[] = ['url' => self::url($family, $base, $weight), 'range' => self::LETTERS[$base], 'first' => true];
        }
        if ($script !== null) {
            $near = self::near($family, $weight);
            $files[] = ['url' => self::url($script, 'signs', $near), 'range' => self::SIGNS, 'first' => true];
            $files[] = ['url' => self::url($script, 'hebrew', $near), 'range' => self::SCRIPT, 'first' => true];
        }

        return $files;
    }

    /** @return array{string, int} the font that draws most of a page in the language, and its weight: by it the page is measured */
    public static function drawnIn(string $family, int $weight, string $language): array
    {
        $script = self::SCRIPTS[explode('-', $language)[0]] ?? null;

        return $script === null ? [$family, $weight] : [$script, self::near($family, $weight)];
    }

    /** The weight that stands for one of a look's; a font of headings that has one weight only is as strong as the bold of others. */
    private static function near(string $family, int $weight): int
    {
        return $weight > 500 || in_array($family, self::STRONG, true) ? 700 : 400;
    }

    private static function url(string $family, string $letters, int $weight): string
    {
        return '/build/fonts/'.Str::slug($family)."-{$letters}-{$weight}-normal.woff2";
    }
}
