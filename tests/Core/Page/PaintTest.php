<?php

declare(strict_types=1);

namespace Tests\Core\Page;

use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Contrast;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\Look\Paint;
use Lantern\Core\Page\Look\Tones;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Colours that can be read, whatever lies behind the words. */
final class PaintTest extends TestCase
{
    /** @param  array<string, mixed>  $background */
    private static function background(array $background): Background
    {
        return Background::fromShape(Shape::of($background));
    }

    /** @return iterable<string, array{array<string, mixed>, Tones|null}> what lies behind, and how dark and light a picture gets */
    public static function grounds(): iterable
    {
        yield 'paper' => [['fill' => 'paper'], null];
        foreach (['tint', 'ink', 'accent'] as $tone) {
            yield "the tone {$tone}" => [['fill' => 'tone', 'tone' => $tone], null];
        }
        foreach (['#000000', '#ffffff', '#808080', '#767676', '#777777', '#ff0000', '#00ff00', '#0000ff', '#ffff00',
            '#c4533a'] as $colour) {
            yield "the colour {$colour}" => [['fill' => 'colour', 'colour' => $colour], null];
        }
        yield 'a gradient from black to white' => [['fill' => 'gradient', 'colour' => '#000000', 'to' => '#ffffff'], null];
        yield 'a gradient of two middling colours' => [['fill' => 'gradient', 'colour' => '#888888', 'to' => '#777777'], null];
        yield 'a gradient of one colour' => [['fill' => 'gradient', 'colour' => '#123456', 'to' => '#123456'], null];
        yield 'a picture nobody has measured' => [['fill' => 'picture', 'picture' => 'p'], null];
        yield 'a dark picture' => [['fill' => 'picture', 'picture' => 'p'], new Tones(0.0, 0.05)];
        yield 'a light picture' => [['fill' => 'picture', 'picture' => 'p'], new Tones(0.8, 1.0)];
        yield 'a picture with everything in it' => [['fill' => 'picture', 'picture' => 'p'], new Tones(0.0, 1.0)];
        yield 'a grey picture' => [['fill' => 'picture', 'picture' => 'p'], new Tones(0.18, 0.18)];
        yield 'a video' => [['fill' => 'video', 'picture' => 'p', 'video' => 'v'], new Tones(0.1, 0.7)];
    }

    /** @param  array<string, mixed>  $background */
    #[DataProvider('grounds')]
    public function test_text_can_be_read_on_it_in_every_look(array $background, ?Tones $tones): void
    {
        foreach (Looks::all() as $look) {
            $paint = Paint::of($look, self::background($background), $tones);

            self::assertGreaterThanOrEqual(Contrast::TEXT, $paint->leastContrast(), $look->id);
            $c = array_map(fn (string $hex): Colour => Colour::of($hex), $paint->colours);
            foreach (['ink', 'soft', 'link'] as $words) {
                self::assertGreaterThanOrEqual(Contrast::TEXT - 0.005, Contrast::least($c[$words], $paint->behind),
                    "{$look->id}: {$words}");
            }
            foreach ([['accent', 'onAccent'], ['field', 'onField'], ['field', 'softOnField'], ['field', 'linkOnField']] as [$behind,
                $words]) {
                self::assertGreaterThanOrEqual(Contrast::TEXT, Contrast::ratio($c[$behind], $c[$words]),
                    "{$look->id}: {$words} on {$behind}");
            }
            self::assertGreaterThanOrEqual(Contrast::LARGE, Contrast::least($c['line'], [...$paint->behind, $c['field']]),
                "{$look->id}: a field's outline");
            self::assertSame(Contrast::least($c['line'], [...$paint->behind, $c['field']]), $paint->outlineContrast());
        }
    }

    /** Every colour an owner can choose, in steps: paper, ink and accent of their own, and the ground of a section. */
    public function test_text_fields_and_outlines_keep_the_promise_whatever_colours_are_chosen(): void
    {
        $steps = [0x00, 0x26, 0x4D, 0x59, 0x66, 0x73, 0x80, 0xB3, 0xFF];
        $colour = fn (int $n): Colour => Colour::of(sprintf('#%02x%02x%02x', $steps[$n % 9], $steps[intdiv($n, 9) % 9],
            $steps[intdiv($n, 81) % 9]));
        for ($n = 0; $n < 729; $n += 2) {
            $ground = $colour($n);
            // An ink close to its paper too, and papers, inks and accents far from each other in turn.
            $look = Looks::get('harbour')->with(new LookChanges(accent: $colour($n * 5 + 3), paper: $colour($n * 7 + 1),
                ink: $n % 3 === 0 ? $colour($n * 7 + 2) : $colour($n * 11 + 5)));
            $grounds = [[Background::paper(), null], [Background::tone('tint'), null], [Background::tone('ink'), null],
                [Background::tone('accent'), null], [Background::colour($ground), null],
                [self::background(['fill' => 'gradient', 'colour' => $ground->hex(), 'to' => $colour($n * 3 + 1)->hex()]), null],
                [Background::picture('p'), new Tones(($n % 10) / 20, 0.5 + ($n % 7) / 14)]];
            foreach ($grounds as $i => [$background, $tones]) {
                $paint = Paint::of($look, $background, $tones);
                $c = array_map(fn (string $hex): Colour => Colour::of($hex), $paint->colours);
                foreach (['ink', 'soft', 'link'] as $words) {
                    self::assertGreaterThanOrEqual(Contrast::TEXT, Contrast::least($c[$words], $paint->behind), "{$n} {$i} {$words}");
                }
                foreach (['onAccent' => 'accent', 'onField' => 'field', 'softOnField' => 'field',
                    'linkOnField' => 'field'] as $on => $behind) {
                    self::assertGreaterThanOrEqual(Contrast::TEXT, Contrast::ratio($c[$on], $c[$behind]), "{$n} {$i} {$on}");
                }
                self::assertGreaterThanOrEqual(Contrast::LARGE, $paint->outlineContrast(), "{$n} {$i}");
            }
        }
    }

    public function test_an_ink_and_a_paper_that_are_too_much_alike_leave_text_readable_over_pictures_and_gradients(): void
    {
        for ($grey = 0; $grey < 253; $grey += 3) {
            $look = Looks::get('harbour')->with(new LookChanges(paper: Colour::of(sprintf('#%1$02x%1$02x%1$02x', $grey)),
                ink: Colour::of(sprintf('#%1$02x%1$02x%1$02x', $grey + 3))));
            foreach ([[Background::picture('p'), new Tones(0.0, 1.0)],
                [self::background(['fill' => 'gradient', 'colour' => '#000000', 'to' => '#ffffff']), null]] as [$background, $tones]) {
                self::assertGreaterThanOrEqual(Contrast::TEXT, Paint::of($look, $background, $tones)->leastContrast(), "grey {$grey}");
            }
        }
    }

    public function test_any_pixel_between_the_measured_tones_can_be_written_on(): void
    {
        $dice = new Randomizer(new Mt19937(3));
        foreach ([[0.0, 0.1], [0.05, 0.4], [0.1, 1.0], [0.2, 0.5], [0.4, 0.9], [0.0, 1.0]] as [$dark, $light]) {
            foreach (Looks::all() as $look) {
                $paint = Paint::of($look, Background::picture('p'), new Tones($dark, $light));
                $ink = Colour::of($paint->colours['ink']);
                $pixels = [...Colour::mostSaturated($dark), ...Colour::mostSaturated($light)];
                for ($n = 0; $n < 300; $n++) {
                    // Saturated ones more often than chance has them.
                    $channel = fn (): int => [0, 255, $dice->getInt(0, 255)][$dice->getInt(0, 2)];
                    $pixels[] = Colour::of(sprintf('#%02x%02x%02x', $channel(), $channel(), $channel()));
                }
                foreach ($pixels as $pixel) {
                    if ($pixel->luminance() >= $dark && $pixel->luminance() <= $light) {
                        $seen = $paint->veilColour === null ? $pixel : $pixel->mixedWith($paint->veilColour, $paint->veil);
                        self::assertGreaterThanOrEqual(Contrast::TEXT, Contrast::ratio($ink, $seen),
                            "{$look->id} {$dark}–{$light}: {$pixel->hex()} under {$paint->veil} of {$paint->veilColour?->hex()}");
                    }
                }
            }
        }
    }

    public function test_a_veil_is_no_thicker_than_it_must_be(): void
    {
        $look = Looks::get('chalk');
        $veil = fn (float $dark, float $light): float => Paint::of($look, Background::picture('p'), new Tones($dark, $light))->veil;

        self::assertSame(0.0, $veil(0.9, 1.0), 'dark words on a light picture need none');
        self::assertSame(0.0, $veil(0.0, 0.02), 'nor light words on a dark one');
        self::assertGreaterThan(0.0, $veil(0.0, 1.0));
        self::assertLessThan($veil(0.0, 1.0), $veil(0.0, 0.4), 'a calmer picture needs less');
        self::assertNull(Paint::of($look, Background::picture('p'), new Tones(0.9, 1.0))->veilColour);
    }

    public function test_whoever_overrides_a_colour_gets_it_and_is_told_how_it_reads(): void
    {
        $look = Looks::get('chalk');
        $own = self::background(['fill' => 'colour', 'colour' => '#ffffff', 'ink' => '#dddddd']);
        $paint = Paint::of($look, $own);

        self::assertSame('#dddddd', $paint->colours['ink']);
        self::assertEqualsWithDelta(1.36, $paint->leastContrast(), 0.01);
        self::assertGreaterThanOrEqual(Contrast::TEXT, Paint::of($look, $own->readable())->leastContrast());
        self::assertSame('#ffffff', $own->readable()->colour?->hex(), 'the background itself stays');

        $thin = self::background(['fill' => 'picture', 'picture' => 'p', 'veil' => 5]);
        self::assertEqualsWithDelta(0.05, Paint::of($look, $thin, new Tones(0.0, 1.0))->veil, 0.001);
        self::assertLessThan(Contrast::TEXT, Paint::of($look, $thin, new Tones(0.0, 1.0))->leastContrast());
        self::assertNull($thin->readable()->veil);
    }

    public function test_what_the_browser_is_told_of_a_background(): void
    {
        $look = Looks::get('harbour');
        $css = fn (array $background): ?string => Paint::css($look, self::background($background));

        self::assertNull($css(['fill' => 'paper']));
        self::assertNull($css(['fill' => 'picture', 'picture' => 'p']));
        self::assertSame('#123456', $css(['fill' => 'colour', 'colour' => '#123456']));
        self::assertSame('linear-gradient(90deg,#112233,#445566)',
            $css(['fill' => 'gradient', 'colour' => '#112233', 'to' => '#445566', 'angle' => 90]));
        self::assertSame($look->accent->hex(), $css(['fill' => 'tone', 'tone' => 'accent']));
    }

    public function test_a_tint_can_be_told_from_the_paper_in_every_look(): void
    {
        foreach (Looks::all() as $look) {
            $tint = Colour::of((string) Paint::css($look, Background::tone('tint')));
            self::assertNotSame($look->paper->hex(), $tint->hex());
            self::assertLessThan(1.6, Contrast::ratio($look->paper, $tint), "{$look->id}: a shade, not another colour");
        }
    }

    /** @return iterable<string, array{list<float>, float, float}> luminances, and what 2 % and 98 % stay below */
    public static function measured(): iterable
    {
        yield 'nothing' => [[], 0.0, 1.0];
        yield 'one point' => [[0.4], 0.4, 0.4];
        yield 'in any order' => [[0.9, 0.1, 0.5], 0.1, 0.9];
        yield 'a few stray points are left out' => [[...array_fill(0, 98, 0.5), 0.0, 1.0], 0.5, 0.5];
        yield 'an even spread' => [array_map(fn (int $i): float => $i / 100, range(0, 100)), 0.02, 0.98];
    }

    /** @param  list<float>  $luminances */
    #[DataProvider('measured')]
    public function test_how_dark_and_how_light_a_picture_gets(array $luminances, float $dark, float $light): void
    {
        $tones = Tones::of($luminances);

        self::assertSame([$dark, $light], [$tones->dark, $tones->light]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is written, and the path that is named */
    public static function broken(): iterable
    {
        yield 'no such fill' => [['fill' => 'glitter'], 'fill'];
        yield 'a colour without a colour' => [['fill' => 'colour'], 'colour'];
        yield 'a gradient to nowhere' => [['fill' => 'gradient', 'colour' => '#000'], 'to'];
        yield 'a gradient by more than a turn' => [['fill' => 'gradient', 'colour' => '#000', 'to' => '#fff', 'angle' => 361], 'angle'];
        yield 'no such tone' => [['fill' => 'tone', 'tone' => 'loud'], 'tone'];
        yield 'a tone unsaid' => [['fill' => 'tone'], 'tone'];
        yield 'a picture unsaid' => [['fill' => 'picture'], 'picture'];
        yield 'a video unsaid' => [['fill' => 'video', 'picture' => 'p'], 'video'];
        yield 'a focus outside of the picture' => [['fill' => 'picture', 'picture' => 'p', 'focusX' => 101], 'focusX'];
        yield 'a focus that is no number' => [['fill' => 'picture', 'picture' => 'p', 'focusY' => '50'], 'focusY'];
        yield 'a veil that hides everything' => [['fill' => 'picture', 'picture' => 'p', 'veil' => 100], 'veil'];
        yield 'styles in a colour' => [['fill' => 'colour', 'colour' => '#fff;background:url(x)'], 'colour'];
        yield 'styles in the ink' => [['fill' => 'paper', 'ink' => 'red'], 'ink'];
    }

    /** @param  array<string, mixed>  $background */
    #[DataProvider('broken')]
    public function test_a_broken_background_is_refused_by_its_place(array $background, string $path): void
    {
        try {
            self::background($background);
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @param  array<string, mixed>  $background */
    #[DataProvider('grounds')]
    public function test_a_background_comes_back_as_it_was_written(array $background, ?Tones $tones): void
    {
        $read = self::background($background);

        self::assertEquals($read, Background::fromShape(Shape::of($read->toArray())));
    }

    public function test_a_look_with_changes_of_the_owners(): void
    {
        $changes = LookChanges::fromShape(Shape::of(['accent' => '#ABC', 'headingFont' => 'Lora', 'bodyFont' => 'Karla', 'corner' => 3]));
        $look = Looks::get('placard')->with($changes);

        self::assertSame(['#aabbcc', 'Lora', 700, 'Karla', 3],
            [$look->accent->hex(), $look->headingFont, $look->headingWeight, $look->bodyFont, $look->corner]);
        self::assertSame('#ffe45c', $look->paper->hex(), 'the rest is as the look has it');
        self::assertSame(['accent' => '#aabbcc', 'headingFont' => 'Lora', 'bodyFont' => 'Karla', 'corner' => 3], $changes->toArray());
        self::assertSame([], (new LookChanges)->toArray());
        self::assertSame([['Lora', 700], ['Karla', 400], ['Karla', 700]], $look->fonts());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function brokenChanges(): iterable
    {
        yield 'a font that does not ship' => [['headingFont' => 'Comic'], 'headingFont'];
        yield 'a heading font for the words' => [['bodyFont' => 'DM Serif Display'], 'bodyFont'];
        yield 'a colour by name' => [['accent' => 'tomato'], 'accent'];
        yield 'corners too round' => [['corner' => 33], 'corner'];
        yield 'corners below nothing' => [['corner' => -1], 'corner'];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('brokenChanges')]
    public function test_a_broken_change_is_refused(array $changes, string $path): void
    {
        try {
            LookChanges::fromShape(Shape::of($changes));
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{string, bool}> */
    public static function embeds(): iterable
    {
        yield 'a host on the list' => ['https://video.example/embed/1', true];
        yield 'in capitals' => ['https://VIDEO.example/embed/1', true];
        yield 'without encryption' => ['http://video.example/embed/1', false];
        yield 'a host that ends alike' => ['https://notvideo.example/1', false];
        yield 'a host below it' => ['https://evil.video.example/1', false];
        yield 'a host that begins alike' => ['https://video.example.evil.example/1', false];
        yield 'somebody before it' => ['https://video.example@evil.example/1', false];
        yield 'another port' => ['https://video.example:444/1', false];
        yield 'script' => ['javascript:alert(1)', false];
        yield 'nothing' => ['', false];
        yield 'no address' => ['https://', false];
    }

    #[DataProvider('embeds')]
    public function test_from_where_videos_may_be_shown(string $url, bool $may): void
    {
        self::assertSame($may, (new PageFacts(embedHosts: ['video.example']))->mayEmbed($url));
    }
}
