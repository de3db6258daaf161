<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use Lantern\Core\Languages\Language;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Public pages are arranged by where lines begin and end, never by left and right: so they mirror by themselves. */
final class DirectionTest extends TestCase
{
    private const ROOT = __DIR__.'/../../../resources';

    /** Properties and values that know a side. */
    private const SIDED = '/(?:^|[\s;{"])(?:(?:margin|padding|border)-(?:left|right)\b|(?:left|right)\s*:|(?:text-align|float|clear)\s*:\s*'
        .'(?:left|right)|border-(?:top|bottom)-(?:left|right)-radius)/m';

    /** Four sides of which the second and the fourth differ. */
    private const SHORTHAND = '/(?:margin|padding|inset)\s*:\s*([^\s;}]+)[ ]+([^\s;}]+)[ ]+([^\s;}]+)[ ]+([^\s;}]+)[;}]/';

    /** @return iterable<string, array{string}> */
    public static function styles(): iterable
    {
        foreach ([...glob(self::ROOT.'/site/*.css') ?: [], ...glob(self::ROOT.'/views/{pay,mail,site}/*.blade.php', GLOB_BRACE) ?: [],
            ...glob(self::ROOT.'/views/{pay,mail,site}/*/*.blade.php', GLOB_BRACE) ?: []] as $file) {
            yield substr($file, strlen(self::ROOT) + 1) => [$file];
        }
    }

    #[DataProvider('styles')]
    public function test_no_style_knows_left_and_right(string $file): void
    {
        $css = (string) file_get_contents($file);
        preg_match_all(self::SIDED, $css, $sided);
        self::assertSame([], array_map(trim(...), $sided[0]));
        do {
            $before = $css;
            $css = (string) preg_replace(['/\([^()]*\)/', '/\s*!important/'], '', $css);
        } while ($css !== $before);
        preg_match_all(self::SHORTHAND, $css, $m, PREG_SET_ORDER);
        foreach ($m as [$whole, , $right, , $left]) {
            self::assertSame($right, $left, $whole);
        }
    }

    public function test_which_languages_are_written_from_right_to_left(): void
    {
        foreach (['he' => true, 'ar' => true, 'fa' => true, 'ur' => true, 'de' => false, 'ka' => false, 'en' => false] as $tag => $rtl) {
            self::assertSame($rtl, Language::of($tag)->isRightToLeft(), $tag);
        }
    }
}
