<?php

declare(strict_types=1);

namespace Tests\Core\Page;

use Closure;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Design\Design;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Design\DesignWords;
use Lantern\Core\Page\Design\PageDesigns;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** The designs of sections and pages: each is whole, and moving from one to the next loses nothing. */
final class DesignTest extends TestCase
{
    /** @return Closure(): string */
    private static function ids(): Closure
    {
        $n = 0;

        return function () use (&$n): string {
            return 'id'.++$n;
        };
    }

    /** @return iterable<string, array{Design}> */
    public static function designs(): iterable
    {
        foreach (Designs::all() as $id => $design) {
            yield $id => [$design];
        }
    }

    #[DataProvider('designs')]
    public function test_a_new_section_is_whole_and_comes_back_as_it_was_written(Design $design): void
    {
        $section = $design->section(self::ids(), ['form' => 'the-form', 'lead-magnet' => 'the-gift']);
        $document = new Document([$section], Background::paper());
        $written = json_decode((string) json_encode($document->toArray()), true);

        self::assertSame($document->toArray(), Document::fromArray($written)->toArray());
        self::assertSame(count($design->blocks), count($section->blocks));
        self::assertSame($design->kind, $section->kind);
        foreach ($section->blocks as $block) {
            if ($block->kind === BlockKind::Form) {
                self::assertSame('the-form', $block->field('form'));
            }
            if ($block->kind === BlockKind::Download) {
                self::assertSame('the-gift', $block->field('leadMagnet'));
            }
        }
    }

    #[DataProvider('designs')]
    public function test_a_new_section_is_in_the_design_it_was_made_from(Design $design): void
    {
        self::assertSame($design->id, Designs::nearest($design->section(self::ids()))->id);
    }

    #[DataProvider('designs')]
    public function test_any_other_section_of_its_kind_takes_it_on_and_keeps_words_and_pictures(Design $design): void
    {
        foreach (Designs::of($design->kind) as $other) {
            $before = self::filled($other->section(self::ids(), ['form' => 'f', 'lead-magnet' => 'g']));
            $after = $design->applied($before, self::ids(), ['form' => 'f', 'lead-magnet' => 'g']);

            self::assertSame($before->id, $after->id);
            self::assertSame($design->arrangement, $after->arrangement);
            self::assertSame(self::contents($before), array_slice(self::contents($after), 0, count($before->blocks)), "from {$other->id}");
            // Twice is the same as once: no block is added again.
            self::assertEquals($after->toArray(), $design->applied($after, self::ids(), ['form' => 'f', 'lead-magnet' => 'g'])->toArray());
        }
    }

    public function test_there_is_more_than_one_design_for_every_kind_and_enough_in_all(): void
    {
        self::assertGreaterThanOrEqual(45, count(Designs::all()));
        foreach (SectionKind::cases() as $kind) {
            $designs = Designs::of($kind);
            self::assertGreaterThanOrEqual(2, count($designs), $kind->value);
            $drawn = array_map(fn (Design $d): string => $d->arrangement->value.'|'.$d->tone.'|'
                .implode(',', array_map(fn (BlockKind $k): string => $k->value.($d->styles[$k->value] ?? ''), $d->blocks)), $designs);
            self::assertSame(count($drawn), count(array_unique($drawn)), "the designs for {$kind->value} differ");
            self::assertSame(count($designs), count(array_unique(array_map(fn (Design $d): string => $d->name, $designs))),
                "and so do their names: {$kind->value}");
        }
    }

    public function test_every_style_a_design_names_is_one_its_block_has(): void
    {
        foreach (Designs::all() as $design) {
            foreach ($design->styles as $kind => $style) {
                self::assertContains($style, Blocks::of(BlockKind::from($kind))->styles, $design->id);
            }
        }
    }

    public function test_a_background_of_the_owners_own_stays_and_one_of_the_design_goes(): void
    {
        $dark = Designs::get('opening-dark');
        $plain = Designs::get('opening-centred');
        $own = $plain->section(self::ids())->with(background: Background::colour(Colour::of('#123456')));

        self::assertSame('ink', $dark->applied($plain->section(self::ids()), self::ids())->background->tone);
        self::assertSame('', $plain->applied($dark->section(self::ids()), self::ids())->background->tone);
        self::assertSame('#123456', $dark->applied($own, self::ids())->background->colour?->hex());
    }

    public function test_a_picture_a_design_lives_on_is_added_once_and_another_one_will_do(): void
    {
        $words = Designs::get('opening-centred')->section(self::ids(), ['form' => 'f']);
        $split = Designs::get('opening-picture-right')->applied($words, self::ids(), ['form' => 'f']);
        self::assertTrue($split->is(BlockKind::Cover));

        $video = Designs::get('opening-video')->section(self::ids());
        self::assertFalse(Designs::get('opening-picture-left')->applied($video, self::ids(), ['form' => 'f'])->is(BlockKind::Cover),
            'the video stands in its place');
    }

    public function test_an_unknown_design_is_refused(): void
    {
        $this->expectException(Invalid::class);
        Designs::get('nothing-like-it');
    }

    /** @return iterable<string, array{string}> */
    public static function pageDesigns(): iterable
    {
        foreach (PageDesigns::list() as $design) {
            yield $design['name'] => [$design['id']];
        }
    }

    #[DataProvider('pageDesigns')]
    public function test_a_page_in_another_design_keeps_every_section_word_and_picture(string $id): void
    {
        foreach (Plans::all() as $goal => $plan) {
            foreach ($plan->pages as $page) {
                $after = PageDesigns::applied($id, $page->document, self::ids(), $plan->firstParts());

                self::assertSame(
                    array_map(fn (Section $s): string => $s->id, $page->document->sections),
                    array_map(fn (Section $s): string => $s->id, $after->sections),
                    "{$goal}, {$page->name}",
                );
                foreach ($page->document->sections as $i => $section) {
                    self::assertSame(self::contents($section),
                        array_slice(self::contents($after->sections[$i]), 0, count($section->blocks)), "{$goal}, {$page->name}");
                }
                self::assertSame($page->document->headline(), $after->headline());
            }
        }
    }

    public function test_a_page_design_leaves_shared_sections_alone(): void
    {
        $section = Designs::get('footer-centred')->section(self::ids());
        $shared = new Section($section->id, $section->kind, $section->arrangement, [], $section->background, shared: 'footer');

        self::assertEquals($shared, PageDesigns::applied('bands', new Document([$shared], Background::paper()), self::ids())->sections[0]);
    }

    public function test_an_unknown_page_design_is_refused(): void
    {
        $this->expectException(Invalid::class);
        PageDesigns::applied('nothing', new Document([], Background::paper()), self::ids());
    }

    /** @return iterable<string, array{BlockKind}> */
    public static function kinds(): iterable
    {
        foreach (BlockKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_a_new_block_has_just_the_fields_of_its_kind(BlockKind $kind): void
    {
        foreach (SectionKind::cases() as $in) {
            $block = DesignWords::block($kind, $in, ['form' => 'f', 'lead-magnet' => 'g']);
            self::assertSame([], array_diff(array_keys($block->fields), array_keys(Blocks::of($kind)->fields)));
            foreach ($block->items as $item) {
                self::assertSame([], array_diff(array_keys($item), array_keys(Blocks::of($kind)->items ?? [])));
            }
            if (Blocks::of($kind)->items === null) {
                self::assertSame([], $block->items);
                self::assertSame([], DesignWords::item($kind, $in));
            } else {
                self::assertSame($block->items[0], DesignWords::item($kind, $in));
            }
        }
    }

    /** The same section with words of an owner's in every block. */
    private static function filled(Section $section): Section
    {
        return $section->with(array_map(function (Block $b): Block {
            $fields = array_map(fn (string $v): string => $v === 'f' || $v === 'g' ? $v : $v.' own',
                array_diff_key($b->fields, ['url' => 0, 'until' => 0]));

            return $b->with($fields, array_map(fn (array $i): array => array_map(fn (string $v): string => $v, $i), $b->items));
        }, $section->blocks));
    }

    /** @return list<mixed> what a section says and shows, block by block, whatever the design */
    private static function contents(Section $section): array
    {
        return array_map(fn (Block $b): array => [$b->id, $b->kind, $b->fields, $b->items], $section->blocks);
    }
}
