<?php

declare(strict_types=1);

namespace Tests\Core\Page;

use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\Entrance;
use Lantern\Core\Page\Block\Hidden;
use Lantern\Core\Page\Block\Link;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\PageSettings;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Page documents as they are written: what they may say, what older ones become, and what is refused. */
final class DocumentTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $block
     * @param  array<string, mixed>  $section
     * @return array<string, mixed>
     */
    private static function with(array $block, array $section = []): array
    {
        return ['format' => 2, 'sections' => [$section + ['id' => 's', 'kind' => 'words', 'blocks' => [$block + ['id' => 'b']]]]];
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> a document of the first format, and what it is today */
    public static function olderOnes(): iterable
    {
        $sections = ['sections' => [['id' => 's', 'kind' => 'opening', 'arrangement' => 'boxed',
            'blocks' => [['id' => 'b', 'kind' => 'heading', 'text' => 'Play']]]]];
        yield 'plain' => [['format' => 1] + $sections, ['format' => 2] + $sections];
        yield 'with a colour behind it' => [['format' => 1, 'background' => ['colour' => '#ABCDEF']] + $sections,
            ['format' => 2, 'background' => ['fill' => 'colour', 'colour' => '#abcdef']] + $sections];
        yield 'with a picture behind it' => [
            ['format' => 1, 'background' => ['picture' => 'p']] + $sections,
            ['format' => 2, 'background' => ['fill' => 'picture', 'picture' => 'p', 'focusX' => 50, 'focusY' => 50]] + $sections,
        ];
        yield 'with nothing behind it' => [['format' => 1, 'background' => []] + $sections, ['format' => 2] + $sections];
        yield 'with a picture and a colour, of which the picture was shown' => [
            ['format' => 1, 'background' => ['colour' => '#ffffff', 'picture' => 'p']] + $sections,
            ['format' => 2, 'background' => ['fill' => 'picture', 'picture' => 'p', 'focusX' => 50, 'focusY' => 50]] + $sections,
        ];
    }

    /**
     * @param  array<string, mixed>  $old
     * @param  array<string, mixed>  $today
     */
    #[DataProvider('olderOnes')]
    public function test_an_older_document_is_brought_up_to_date(array $old, array $today): void
    {
        self::assertSame($today, Document::fromArray($old)->toArray());
    }

    /** @return iterable<string, array{mixed, string}> what is written, and the path that is named */
    public static function broken(): iterable
    {
        yield 'an unknown kind of section' => [self::with(['kind' => 'text', 'html' => ''], ['kind' => 'iframe']), 'sections.0.kind'];
        yield 'an unknown arrangement' => [self::with(['kind' => 'text', 'html' => ''], ['arrangement' => 'upside-down']),
            'sections.0.arrangement'];
        yield 'an unknown look' => [self::with(['kind' => 'text', 'html' => ''], ['look' => 'nothing']), 'sections.0.look'];
        yield 'an unknown look of the page' => [['look' => 'nothing'] + self::with(['kind' => 'text', 'html' => '']), 'look'];
        yield 'hidden on watches' => [self::with(['kind' => 'text', 'html' => ''], ['hidden' => 'watch']), 'sections.0.hidden'];
        yield 'a block hidden on watches' => [self::with(['kind' => 'text', 'html' => '', 'hidden' => 'watch']),
            'sections.0.blocks.0.hidden'];
        yield 'coming in by jumping' => [self::with(['kind' => 'text', 'html' => ''], ['entrance' => 'jump']), 'sections.0.entrance'];
        yield 'a block that comes in by jumping' => [self::with(['kind' => 'text', 'html' => '', 'entrance' => 'jump']),
            'sections.0.blocks.0.entrance'];
        yield 'a style of another kind' => [self::with(['kind' => 'bullets', 'html' => '', 'style' => 'card']),
            'sections.0.blocks.0.style'];
        yield 'a style where there are none' => [self::with(['kind' => 'heading', 'text' => 'x', 'style' => 'main']),
            'sections.0.blocks.0.style'];
        yield 'an unknown sign' => [self::with(['kind' => 'points', 'items' => [['icon' => 'skull', 'title' => 'x']]]),
            'sections.0.blocks.0.items.0.icon'];
        yield 'too many entries' => [self::with(['kind' => 'points', 'items' => array_fill(0, 25, ['title' => 'x'])]),
            'sections.0.blocks.0.items'];
        yield 'entries that are words' => [self::with(['kind' => 'points', 'items' => ['x']]), 'sections.0.blocks.0.items.0'];
        yield 'an entry too long' => [self::with(['kind' => 'questions', 'items' => [['title' => str_repeat('x', 301), 'html' => '']]]),
            'sections.0.blocks.0.items.0.title'];
        yield 'script in a menu' => [self::with(['kind' => 'menu', 'items' => [['title' => 'x', 'url' => 'JavaScript:alert(1)']]]),
            'sections.0.blocks.0.items.0.url'];
        yield 'data in a button' => [self::with(['kind' => 'button', 'text' => 'x', 'url' => 'data:text/html,<script>']),
            'sections.0.blocks.0.url'];
        yield 'an address with a break in it' => [self::with(['kind' => 'button', 'text' => 'x',
            'url' => "https://else.example/\njavascript:"]), 'sections.0.blocks.0.url'];
        yield 'an address with markup in it' => [self::with(['kind' => 'button', 'text' => 'x',
            'url' => 'https://else.example/"><script>']), 'sections.0.blocks.0.url'];
        yield 'a moment that never comes' => [self::with(['kind' => 'countdown', 'text' => 'x', 'until' => '2027-02-30T18:00']),
            'sections.0.blocks.0.until'];
        yield 'a moment in words' => [self::with(['kind' => 'countdown', 'text' => 'x', 'until' => 'tomorrow']),
            'sections.0.blocks.0.until'];
        yield 'a number for words' => [self::with(['kind' => 'price', 'price' => 290]), 'sections.0.blocks.0.price'];
        yield 'a background of its own kind' => [self::with(['kind' => 'text', 'html' => ''], ['background' => ['fill' => 'lava']]),
            'sections.0.background.fill'];
        yield 'deeper than anything is' => [['format' => 2,
            'sections' => [['id' => 's', 'kind' => 'words',
                'blocks' => [['id' => 'b', 'kind' => 'points', 'items' => [['title' => ['html' => ['x']]]]]]]]],
            'sections.0.blocks.0.items.0.title'];
        yield 'a newer format' => [['format' => 3, 'sections' => []], 'format'];
        yield 'a format in words' => [['format' => 'two', 'sections' => []], 'format'];
    }

    /** @return iterable<string, array{mixed, string}> what is written, and the path that is named */
    public static function brokenBlocks(): iterable
    {
        $section = fn (array $block): array => ['format' => 1, 'sections' => [['id' => 's', 'kind' => 'opening', 'blocks' => [$block]]]];
        yield 'no document' => ['words', ''];
        yield 'another format' => [['format' => 3, 'sections' => []], 'format'];
        yield 'sections are no list' => [['format' => 1, 'sections' => ['a' => []]], 'sections'];
        yield 'too many sections' => [['format' => 1, 'sections' => array_fill(0, 81, [])], 'sections'];
        yield 'an unknown block' => [$section(['id' => 'b', 'kind' => 'script']), 'sections.0.blocks.0.kind'];
        yield 'an id with markup' => [$section(['id' => '"><b>', 'kind' => 'text', 'html' => '']), 'sections.0.blocks.0.id'];
        yield 'a text that is a list' => [$section(['id' => 'b', 'kind' => 'heading', 'text' => ['x']]), 'sections.0.blocks.0.text'];
        yield 'a text that is too long' => [$section(['id' => 'b', 'kind' => 'heading', 'text' => str_repeat('x', 301)]),
            'sections.0.blocks.0.text'];
        yield 'broken characters' => [$section(['id' => 'b', 'kind' => 'heading', 'text' => "\xff"]), 'sections.0.blocks.0.text'];
        yield 'a link that runs' => [$section(['id' => 'b', 'kind' => 'button', 'text' => 'Go', 'url' => 'javascript:alert(1)']),
            'sections.0.blocks.0.url'];
        yield 'a colour with more in it' => [['format' => 1, 'sections' => [], 'background' => ['colour' => '#ff;x:']],
            'background.colour'];
        yield 'two things with one id' => [$section(['id' => 's', 'kind' => 'heading', 'text' => 'x']), 'sections'];
        yield 'too many blocks' => [['format' => 1,
            'sections' => [['id' => 's', 'kind' => 'opening', 'blocks' => array_fill(0, 31, ['id' => 'x', 'kind' => 'text'])]]],
            'sections.0.blocks'];
    }

    #[DataProvider('broken')]
    #[DataProvider('brokenBlocks')]
    public function test_what_is_no_document_is_refused_by_its_place(mixed $written, string $path): void
    {
        try {
            Document::fromArray($written);
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
            self::assertStringEndsWith('.', $e->getMessage());
        }
    }

    public function test_what_is_unknown_in_it_is_dropped(): void
    {
        $document = self::with(['kind' => 'heading', 'text' => 'Play', 'onclick' => 'x', 'html' => 'y'], ['style' => 'x', 'z' => []])
            + ['head' => '<script>'];

        self::assertSame(['format' => 2, 'sections' => [['id' => 's', 'kind' => 'words', 'arrangement' => 'centred',
            'blocks' => [['id' => 'b', 'kind' => 'heading', 'text' => 'Play']]]]],
            Document::fromArray($document)->toArray());
    }

    public function test_a_shared_section_is_filled_in_where_it_is_shown(): void
    {
        $n = 0;
        $footer = Designs::get('footer-dark')->section(function () use (&$n): string {
            return 'f'.++$n;
        });
        $document = Document::fromArray(['format' => 2, 'sections' => [
            ['id' => 'a', 'kind' => 'footer', 'shared' => 'one', 'hidden' => 'phone', 'entrance' => 'rise', 'blocks' => []],
            ['id' => 'b', 'kind' => 'footer', 'shared' => 'two', 'hidden' => 'desktop', 'blocks' => []],
            ['id' => 'c', 'kind' => 'footer', 'shared' => 'one', 'blocks' => []],
        ]]);
        $filled = $document->withShared(['one' => $footer]);

        self::assertSame(['one', 'two'], $document->shared());
        self::assertSame($footer->blocks, $filled->sections[0]->blocks);
        self::assertSame(Hidden::OnPhone, $filled->sections[0]->hidden, 'where it is shown is a matter of the page');
        self::assertSame(Entrance::Rise, $filled->sections[0]->entrance, 'and so is how it comes in');
        self::assertSame('a', $filled->sections[0]->id);
        self::assertSame([], $filled->sections[1]->blocks, 'one that is gone shows nothing');
        self::assertSame($filled->toArray(), Document::fromArray($filled->toArray())->toArray(), 'twice on a page is no trouble');
    }

    public function test_a_section_for_another_funnel_takes_over_its_form_and_lets_go_of_its_pages(): void
    {
        $n = 0;
        $newId = function () use (&$n): string {
            return 'n'.++$n;
        };
        $section = Section::fromShape(Shape::of(['id' => 's', 'kind' => 'words', 'shared' => 'x', 'blocks' => [
            ['id' => 'a', 'kind' => 'form', 'form' => 'old'],
            ['id' => 'b', 'kind' => 'download', 'leadMagnet' => 'old', 'text' => 'x'],
            ['id' => 'c', 'kind' => 'button', 'text' => 'x', 'url' => 'page:gone'],
            ['id' => 'd', 'kind' => 'button', 'text' => 'x', 'url' => 'page:there'],
            ['id' => 'e', 'kind' => 'menu',
                'items' => [['title' => 'x', 'url' => 'page:gone'], ['title' => 'y', 'url' => 'https://else.example']]],
        ]]));
        $fitted = $section->fitted($newId, fn (string $kind, string $id): string => "{$kind} for {$id}",
            fn (string $page): bool => $page === 'there');

        self::assertSame('form for old', $fitted->blocks[0]->field('form'));
        self::assertSame('lead-magnet for old', $fitted->blocks[1]->field('leadMagnet'));
        self::assertSame(['', 'page:there'], [$fitted->blocks[2]->field('url'), $fitted->blocks[3]->field('url')]);
        self::assertSame(['', 'https://else.example'], array_column($fitted->blocks[4]->items, 'url'));
        self::assertSame([], array_intersect(array_map(fn (Block $b): string => $b->id, $section->blocks),
            array_map(fn (Block $b): string => $b->id, $fitted->blocks)));
        self::assertNull($fitted->unsharedUnless(['y'])->shared);
        self::assertSame('x', $fitted->unsharedUnless(['x'])->shared);
    }

    public function test_it_knows_what_it_shows_and_where_it_leads(): void
    {
        $document = Document::fromArray(['format' => 2, 'look' => 'salon', 'background' => ['fill' => 'picture', 'picture' => 'page'],
            'sections' => [
                ['id' => 's', 'kind' => 'words', 'look' => 'chalk',
                    'background' => ['fill' => 'video', 'picture' => 'still', 'video' => 'film'], 'blocks' => [
                        ['id' => 'a', 'kind' => 'gallery',
                            'items' => [['picture' => 'one', 'alt' => '', 'text' => ''], ['picture' => 'two', 'alt' => '', 'text' => '']]],
                        ['id' => 'b', 'kind' => 'video', 'video' => 'film2', 'picture' => 'still', 'text' => ''],
                        ['id' => 'c', 'kind' => 'text',
                            'html' => 'See <a href="page:p">this</a> &amp; <a href="https://else.example/?a=1&amp;b=2">that</a>'],
                        ['id' => 'd', 'kind' => 'fit', 'yes' => '', 'html' => '', 'no' => '', 'notHtml' => '<a href="section:s">up</a>'],
                    ]],
            ]]);

        self::assertSame(['one', 'two', 'still', 'page'], $document->pictures());
        self::assertSame(['film2', 'film'], $document->videos());
        self::assertSame(['salon', 'chalk'], $document->looks());
        self::assertSame(['page:p', 'https://else.example/?a=1&b=2', 'section:s'],
            array_merge(...array_map(fn (Block $b): array => $b->links(), $document->blocks())));
        self::assertSame('See this & that', $document->sections[0]->title(), 'without a heading, the first words');
    }

    /** @return iterable<string, array{string, string, string}> an address, its kind and its target */
    public static function links(): iterable
    {
        yield 'nothing' => ['', 'none', ''];
        yield 'a page' => ['page:01abc', 'page', '01abc'];
        yield 'a section' => ['section:s_1-x', 'section', 's_1-x'];
        yield 'an outcome' => ['outcome:declined', 'outcome', 'declined'];
        yield 'the web' => ['https://else.example/page:x', 'outside', 'https://else.example/page:x'];
        yield 'mail' => ['mailto:imke@ferncroft.example', 'outside', 'mailto:imke@ferncroft.example'];
        yield 'a page with more behind it' => ['page:x y', 'outside', 'page:x y'];
    }

    #[DataProvider('links')]
    public function test_where_a_link_leads(string $url, string $kind, string $target): void
    {
        $link = Link::read($url);

        self::assertSame([$kind, $target], [$link->kind, $link->target]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function brokenSettings(): iterable
    {
        yield 'a title for a book' => [['title' => str_repeat('x', 201)], 'title'];
        yield 'a language with markup' => [['language' => 'en"><script>'], 'language'];
        yield 'a language of one email' => [['language' => 'e'], 'language'];
        yield 'hidden perhaps' => [['hidden' => 'perhaps'], 'hidden'];
        yield 'a program for a page' => [['head' => str_repeat('x', 20_001)], 'head'];
        yield 'a picture that is a list' => [['picture' => ['x']], 'picture'];
    }

    /** @param  array<string, mixed>  $settings */
    #[DataProvider('brokenSettings')]
    public function test_broken_settings_are_refused(array $settings, string $path): void
    {
        try {
            PageSettings::fromShape(Shape::of($settings));
            self::fail('They were taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    public function test_settings_say_only_what_differs(): void
    {
        self::assertSame([], (new PageSettings)->toArray());
        self::assertSame([], PageSettings::fromShape(null)->toArray());
        $all = ['title' => 'T', 'description' => 'D', 'picture' => 'p', 'language' => 'pt-BR', 'hidden' => false, 'head' => '<meta>',
            'bodyEnd' => '<i>'];
        self::assertSame($all, PageSettings::fromShape(Shape::of($all))->toArray());
        self::assertTrue(PageSettings::fromShape(Shape::of($all))->hasCode());
        self::assertFalse((new PageSettings(title: 'T'))->hasCode());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function brokenFields(): iterable
    {
        yield 'capitals' => [['Programme' => 'x'], 'Programme'];
        yield 'a dash' => [['my-field' => 'x'], 'my-field'];
        yield 'a digit first' => [['1st' => 'x'], '1st'];
        yield 'a list' => [['x'], '0'];
        yield 'a person’s' => [['first_name' => 'x'], 'first_name'];
        yield 'the owner’s' => [['business' => 'x'], 'business'];
        yield 'a page’s' => [['page_1' => 'x'], 'page_1'];
        yield 'the download’s' => [['download_link' => 'x'], 'download_link'];
        yield 'a story' => [['programme' => str_repeat('x', 301)], 'programme'];
        yield 'a number' => [['programme' => 12], 'programme'];
        yield 'too many' => [array_combine(array_map(fn (int $i): string => "f{$i}", range(1, 41)), array_fill(0, 41, 'x')), ''];
    }

    /** @param  array<string, mixed>  $fields */
    #[DataProvider('brokenFields')]
    public function test_a_field_of_the_funnels_own_has_a_name_of_its_own(array $fields, string $path): void
    {
        try {
            MergeFields::ownFields(Shape::of($fields));
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    public function test_parameters_are_named_once(): void
    {
        self::assertSame(['city', 'level'], MergeFields::parameterNames(['city', 'level', 'city']));
        self::assertSame(['programme' => 'First Season'], MergeFields::ownFields(Shape::of(['programme' => 'First Season'])));
        $this->expectException(Invalid::class);
        MergeFields::parameterNames(['city', 'email']);
    }
}
