<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Drafts\DraftPlan;
use App\Drafts\NewFunnel;
use App\Publishing\Publishing;
use App\Rendering\PageAssets;
use App\Rendering\StandIns;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Look\Fonts;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\Goal;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What stands in for a look's fonts until they have come is as wide and as high as they are. */
final class StandInsTest extends TestCase
{
    /** @return array{size: float, lines: list<float>} of the first face, in percent */
    private static function face(string $css): array
    {
        preg_match('/size-adjust:([\d.]+)%;ascent-override:([\d.]+)%;descent-override:([\d.]+)%;line-gap-override:([\d.]+)%/', $css, $m);

        return ['size' => (float) ($m[1] ?? 0), 'lines' => array_map(floatval(...), array_slice($m, 2))];
    }

    /** @return iterable<string, array{string, int}> */
    public static function fonts(): iterable
    {
        foreach (Fonts::HEADING as $family => $weight) {
            yield "{$family} {$weight}" => [$family, $weight];
        }
        foreach (Fonts::BODY as $family) {
            yield "{$family} 400" => [$family, 400];
            yield "{$family} 700" => [$family, 700];
        }
    }

    #[DataProvider('fonts')]
    public function test_every_font_has_faces_that_stand_in_with_lines_of_its_own_height(string $family, int $weight): void
    {
        $sizes = StandIns::sizes($family, $weight, '');
        self::assertCount(3, $sizes);
        foreach ($sizes as $size) {
            self::assertEqualsWithDelta(100, $size, 35, 'no font is a third wider than another');
        }
        $css = StandIns::faces($family, $weight, $sizes);
        self::assertSame(3, substr_count($css, "font-weight:{$weight}"));
        preg_match_all("/font-family:('[^']+')/", $css, $named);
        self::assertSame("'{$family}',".implode(',', $named[1]), StandIns::family($family), 'those that are named are there');
        $face = self::face($css);
        $height = array_sum($face['lines']) * $face['size'] / 100;
        self::assertEqualsWithDelta(array_sum(self::face(StandIns::faces($family, $weight, [100.0]))['lines']), $height, 0.1);
    }

    public function test_words_are_stretched_by_their_own_letters(): void
    {
        // Against the tables of Arial, which Arimo was drawn to.
        $table = json_decode((string) file_get_contents(public_path('build/fonts/stand-ins.json')), true);
        self::assertIsArray($table);
        $wide = fn (string $in, string $font, string $letter): int => $table[$in][$font]['400']['widths'][$letter];
        [$i, $m] = [$wide('fonts', 'dm-sans', 'i'), $wide('fonts', 'dm-sans', 'm')];
        self::assertSame([222, 833], [$wide('devices', 'arimo', 'i'), $wide('devices', 'arimo', 'm')], 'Arial, as its maker has it');
        self::assertSame(round(100 * $i / 222, 2), StandIns::sizes('DM Sans', 400, 'iii')[0]);
        self::assertSame(round(100 * (2 * $i + $m) / (2 * 222 + 833), 2), StandIns::sizes('DM Sans', 400, 'imi')[0]);
        self::assertSame(StandIns::sizes('DM Sans', 400, ''), StandIns::sizes('DM Sans', 400, '頁頁'), 'letters of neither');
        self::assertSame([], StandIns::sizes('Nothing', 400, 'i'));
        self::assertSame('', StandIns::faces('Nothing', 400, []));
    }

    public function test_a_page_is_measured_by_what_it_says_first_and_headings_as_they_are_set(): void
    {
        $funnel = app(NewFunnel::class)->fromStarter($this->owner()->business, Goal::Form, 'Form', 'Write to me, it is quick', null);
        foreach (['placard' => mb_strtoupper(...), 'harbour' => strval(...)] as $look => $set) {
            $funnel->forceFill(['look' => $look])->save();
            $plan = DraftPlan::read($funnel->fresh() ?? $funnel);
            [$family, $weight] = $plan->look()->fonts()[0];
            $headings = array_filter(array_map(fn (Section $s): string => implode('', array_map(fn (Block $b): string => $b->words(),
                array_filter($s->blocks, fn (Block $b): bool => in_array($b->kind, [BlockKind::Heading, BlockKind::Logo], true)))),
                array_slice($plan->pages[0]->document->sections, 0, 2)));
            $words = str_replace('{{business}}', 'Ferncroft Cello Room', implode('', $headings));
            self::assertSame(StandIns::sizes($family, $weight, $set($words)),
                PageAssets::of($plan, $plan->pages[0])->sizes["{$family} {$weight}"], $look);
        }
        self::assertNotSame(StandIns::sizes('Archivo', 800, 'write'), StandIns::sizes('Archivo', 800, 'WRITE'));
    }

    public function test_a_published_page_swaps_its_fonts_in_and_says_what_stands_in_for_them(): void
    {
        $owner = $this->owner();
        $funnel = app(NewFunnel::class)->fromStarter($owner->business, Goal::Form, 'Form', 'Write to me', null);
        foreach (['harbour', 'salon'] as $look) {
            $funnel->forceFill(['look' => $look])->save();
            app(Publishing::class)->publish($funnel->fresh(), null);
            $html = $this->get("/{$funnel->address}")->assertOk()->getContent();
            $fonts = Looks::all()[$look]->fonts();
            self::assertStringNotContainsString('font-display:optional', (string) $html);
            foreach ($fonts as [$family, $weight]) {
                self::assertMatchesRegularExpression("/font-family:'{$family} A';font-weight:{$weight};src:local/", (string) $html);
            }
            self::assertStringContainsString('--heading:'.e(StandIns::family($fonts[0][0])), (string) $html);
        }
    }
}
