<?php

declare(strict_types=1);

namespace Tests\Core\Page;

use DOMDocument;
use DOMElement;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Block\Field;
use Lantern\Core\Page\Block\FieldType;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Drawing\PageDrawing;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\Look\Paint;
use Lantern\Core\Plan\Goal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** Small drawings of pages: of what is on them, in the colours of their look. */
final class PageDrawingTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $section  what differs
     * @param  list<array<string, mixed>>  $blocks
     * @return list<array{x: float, y: float, width: float, height: float, fill: string}> the boxes
     */
    private static function boxes(array $blocks, array $section = [], int $fields = 1): array
    {
        foreach ($blocks as $i => $block) {
            $blocks[$i] = ['id' => "b{$i}"] + $block;
        }
        $document = Document::fromArray(['format' => Document::FORMAT, 'sections' => $blocks === [] ? []
            : [$section + ['id' => 's', 'kind' => 'words', 'arrangement' => 'left', 'blocks' => $blocks]]]);
        $svg = PageDrawing::svg($document, self::look(), Looks::get(...), ['form' => $fields]);
        $boxes = [];
        foreach (self::read($svg)->getElementsByTagName('rect') as $box) {
            $number = fn (string $name): float => (float) $box->getAttribute($name);
            $boxes[] = ['x' => $number('x'), 'y' => $number('y'), 'width' => $number('width'), 'height' => $number('height'),
                'fill' => $box->getAttribute('fill')];
        }

        return $boxes;
    }

    private static function read(string $svg): DOMDocument
    {
        $document = new DOMDocument;
        self::assertTrue($document->loadXML($svg));

        return $document;
    }

    private static function look(): Look
    {
        return array_values(Looks::all())[0];
    }

    /** @return array<string, string> */
    private static function colours(?Background $background = null): array
    {
        return Paint::of(self::look(), $background ?? Background::paper())->colours;
    }

    public function test_an_empty_page_is_its_ground_alone(): void
    {
        self::assertSame([['x' => 0.0, 'y' => 0.0, 'width' => PageDrawing::WIDTH, 'height' => PageDrawing::HEIGHT,
            'fill' => self::colours()['paper']]], self::boxes([]));
    }

    public function test_words_take_as_many_lines_as_they_are_long(): void
    {
        $lines = fn (string $words): int => count(self::boxes([['kind' => 'heading', 'text' => $words]])) - 1;

        self::assertSame([0, 1, 2, 2], array_map($lines, ['', 'Short', str_repeat('Long words ', 6), str_repeat('Longer ', 40)]));
    }

    public function test_a_form_has_its_fields_and_a_button_in_the_colour_of_the_look(): void
    {
        $form = fn (int $fields): array => array_column(self::boxes([['kind' => 'form', 'form' => 'form']], fields: $fields), 'fill');
        ['paper' => $paper, 'field' => $field, 'accent' => $accent, 'onAccent' => $on] = self::colours();

        self::assertSame([$paper, $field, $accent, $on], $form(1));
        self::assertSame([$paper, $field, $field, $field, $accent, $on], $form(3));
        self::assertSame(5, count(array_keys($form(40), $field, true)), 'no more than there is room for');
    }

    public function test_a_section_stands_on_its_own_ground_in_colours_that_are_readable_there(): void
    {
        $boxes = self::boxes([['kind' => 'heading', 'text' => 'Dark']], ['background' => ['fill' => 'tone', 'tone' => 'ink']]);
        $dark = self::colours(Background::tone('ink'));

        self::assertSame([self::colours()['paper'], $dark['paper'], $dark['ink']], array_column($boxes, 'fill'));
        self::assertGreaterThan($boxes[2]['height'], $boxes[1]['height'], 'the ground is as high as what stands on it');
    }

    public function test_what_stands_beside_the_words_is_drawn_beside_them(): void
    {
        $at = fn (string $arrangement): array => array_column(array_slice(self::boxes([['kind' => 'heading', 'text' => 'Come'],
            ['kind' => 'form', 'form' => 'form']], ['kind' => 'opening', 'arrangement' => $arrangement]), 1, 2), 'x');

        [$words, $form] = $at('form-right');
        self::assertGreaterThan($words + 60, $form);
        [$words, $form] = $at('form-left');
        self::assertLessThan($words, $form);
        [$words, $form] = $at('left');
        self::assertSame($words, $form, 'below each other');
    }

    public function test_what_is_hidden_on_wide_screens_is_left_out_and_what_is_below_the_edge_too(): void
    {
        self::assertCount(1, self::boxes([['kind' => 'heading', 'text' => 'For phones', 'hidden' => 'desktop']]));
        self::assertCount(1, self::boxes([['kind' => 'heading', 'text' => 'For phones']], ['hidden' => 'desktop']));
        $long = self::boxes(array_fill(0, 30, ['kind' => 'text', 'html' => str_repeat('Many words. ', 40)]));
        self::assertLessThan(PageDrawing::HEIGHT, max(array_column($long, 'y')));
    }

    /** @return iterable<string, array{BlockKind}> */
    public static function kinds(): iterable
    {
        foreach (BlockKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_every_kind_of_block_is_seen_and_what_is_typed_stays_outside(BlockKind $kind): void
    {
        $definition = Blocks::of($kind);
        $typed = fn (array $fields): array => array_map(
            fn (Field $f): string => $f->type === FieldType::Words ? '"><script>' : '', $fields);
        $block = ['kind' => $kind->value] + $typed($definition->fields)
            + ($definition->items === null ? [] : ['items' => [$typed($definition->items), $typed($definition->items)]]);
        if ($kind === BlockKind::Text) {
            $block['html'] = 'Words';
        }
        self::assertGreaterThan(1, count(self::boxes([$block])));
    }

    /** @return iterable<string, array{Goal}> */
    public static function goals(): iterable
    {
        foreach (Goal::cases() as $goal) {
            yield $goal->value => [$goal];
        }
    }

    #[DataProvider('goals')]
    public function test_the_pages_of_a_starter_differ_and_are_small(Goal $goal): void
    {
        $plan = Plans::starter()->build($goal, 'Funnel', 'First Season', 'funnel', null);
        $drawings = [];
        foreach ($plan->pages as $page) {
            $svg = PageDrawing::svg($page->document, $plan->look(), Looks::get(...), []);
            $root = self::read($svg)->documentElement;
            self::assertInstanceOf(DOMElement::class, $root);
            self::assertSame('0 0 240 140', $root->getAttribute('viewBox'));
            self::assertLessThan(6_000, strlen($svg));
            $drawings[$page->role->value] = $svg;
        }
        self::assertSame(count($drawings), count(array_unique($drawings)), 'no two roles look alike');
    }
}
