<?php

declare(strict_types=1);

namespace Tests\Core\Guides;

use Lantern\Core\Guides\Pagination;
use Lantern\Core\Guides\Piece;
use Lantern\Core\Guides\PrintedText;
use Lantern\Core\Guides\PrintedWord;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Document;
use Lantern\Core\Starters\StarterText;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How a document becomes the pages of a guide: nothing is left out, nothing is in two places. */
final class DocumentTest extends TestCase
{
    /** @return list<Piece> of "# a", "## b", "---" (the end of a sheet), "[] x" (to tick off), "12 words" and words */
    private static function pieces(string ...$written): array
    {
        return array_map(fn (string $w): Piece => match (true) {
            $w === '---' => Piece::sheet(),
            preg_match('/^(#+) (.*)$/', $w, $m) === 1 => Piece::heading(strlen($m[1]), $m[2]),
            preg_match('/^\[\] (.*)$/', $w, $m) === 1 => Piece::ticks(explode(',', $m[1])),
            preg_match('/^(\d+) words$/', $w, $m) === 1 => Piece::text('<p>'.trim(str_repeat('word ', (int) $m[1])).'</p>'),
            default => Piece::text("<p>{$w}</p>"),
        }, array_values($written));
    }

    /** @return iterable<string, array{list<string>, list<int>}> pieces, and how many of them stand on each page */
    public static function documents(): iterable
    {
        yield 'nothing' => [[], []];
        yield 'a paragraph' => [['Hello'], [1]];
        yield 'a title and chapters' => [['# Title', 'For you', '## One', 'a', '## Two', 'b', '### Deeper', 'c'], [2, 2, 4]];
        yield 'chapters alone' => [['# One', 'a', '# Two', 'b'], [2, 2]];
        yield 'words before the first chapter' => [['Hello', '# One', 'a', '# Two'], [1, 2, 1]];
        yield 'a title and one chapter' => [['# Title', '## One', 'a'], [1, 2]];
        yield 'a single title' => [['# Title', 'a', 'b'], [3]];
        yield 'sheets of paper without a heading' => [['a', 'b', '---', 'c', '---', '---'], [2, 1]];
        yield 'headings before sheets' => [['# One', 'a', '---', 'b', '# Two', 'c', '---'], [3, 2]];
        yield 'no sign of where a page ends' => [['200 words', '200 words', '100 words'], [1, 2]];
        yield 'a long chapter is divided at its paragraphs' => [['# One', '500 words', '500 words', '# Two', 'a'], [2, 1, 2]];
        yield 'a paragraph stays with its heading, however long' => [['# One', '1000 words', '# Two', '## Deeper', '1000 words'], [2, 3]];
    }

    /**
     * @param  list<string>  $written
     * @param  list<int>  $expected
     */
    #[DataProvider('documents')]
    public function test_a_document_is_divided_where_it_says_so_itself(array $written, array $expected): void
    {
        $pages = Pagination::of(self::pieces(...$written));
        self::assertSame($expected, array_map(count(...), $pages));
        $texts = fn (array $pieces): array => array_map(fn (Piece $p): string => $p->text, $pieces);
        self::assertSame(array_values(array_filter($texts(self::pieces(...$written)), fn (string $t): bool => $t !== '')),
            $texts(array_merge([], ...$pages)));
    }

    public function test_a_book_becomes_as_many_pages_as_a_guide_has_and_loses_no_word(): void
    {
        $pieces = array_merge(...array_map(fn (int $n): array => self::pieces("# Chapter {$n}", '150 words'), range(1, 500)));
        $pages = Pagination::of($pieces);
        self::assertCount(60, $pages);
        self::assertSame($pieces, array_merge(...$pages));
        $id = 0;
        $words = 0;
        foreach ($pages as $page) {
            $document = StarterText::document($page, function () use (&$id): string {
                return 'i'.++$id;
            });
            $words += array_sum(array_map(fn (Block $b): int => str_word_count(strip_tags(implode(' ', $b->passages()))),
                $document->blocks()));
        }
        self::assertSame(500 * 151, $words);
    }

    public function test_very_many_headings_share_sections_and_what_is_too_much_is_said(): void
    {
        $headings = fn (int $n): array => self::pieces(...array_map(fn (int $i): string => "## Part {$i}", range(1, $n)));
        $newId = fn (): string => 'i';
        self::assertCount(2000, StarterText::document($headings(2000), $newId)->blocks());
        $this->expectException(Invalid::class);
        StarterText::document($headings(3000), $newId);
    }

    /** @return iterable<string, array{list<string>, list<array{string, list<string>}>}> */
    public static function drawn(): iterable
    {
        yield 'words under a heading' => [['# A', 'b', 'c'], [['words', ['heading', 'text']]]];
        yield 'each heading its section' => [['# A', 'b', '## C', 'd'], [['words', ['heading', 'text']], ['words', ['heading', 'text']]]];
        yield 'something to tick off with its heading' => [['# A', '[] x,y', 'b'],
            [['exercise', ['heading', 'checklist']], ['words', ['text']]]];
        yield 'more to tick off than a list holds' => [['a', '[] '.implode(',', range(1, 30))],
            [['words', ['text']], ['exercise', ['checklist', 'checklist']]]];
        yield 'a paragraph longer than a block' => [['4000 words'], [['words', ['text', 'text', 'text']]]];
        yield 'of sentences' => [[str_repeat('Sit down. ', 1000)], [['words', ['text', 'text']]]];
        yield 'a word longer than a block' => [[str_repeat('x', 9000)], [['words', ['text', 'text']]]];
        yield 'marks of HTML, longer than a block' => [[str_repeat('a &amp; b ', 1000)], [['words', ['text', 'text']]]];
    }

    /**
     * @param  list<string>  $written
     * @param  list<array{string, list<string>}>  $expected
     */
    #[DataProvider('drawn')]
    public function test_its_pieces_become_sections_to_work_on(array $written, array $expected): void
    {
        $id = 0;
        $document = StarterText::document(self::pieces(...$written), function () use (&$id): string {
            return 'i'.++$id;
        });
        self::assertSame($expected, array_map(fn ($s): array => [$s->kind->value, array_map(fn (Block $b): string => $b->kind->value,
            $s->blocks)], $document->sections));
        self::assertLessThan(8010, max(array_map(fn (Block $b): int => strlen($b->field('html')), $document->blocks())));
        $spoken = fn (array $texts): string => (string) preg_replace('/\s+/', '', implode('', $texts));
        self::assertSame($spoken(array_map(fn (Piece $p): string => $p->text, self::pieces(...$written))),
            $spoken(array_merge(...array_map(fn (Block $b): array => array_map(fn (string $p): string => Piece::text($p)->text,
                $b->passages()), $document->blocks()))));
        self::assertEquals($document, Document::fromArray($document->toArray()), 'it can be kept');
    }

    /** @return iterable<string, array{list<list<array{float|int, float|int, float|int, string}>>, list<string>}> x, y, size, words */
    public static function printed(): iterable
    {
        $full = 'When the kettle boils it is time to tune the strings and';
        $line = fn (int $y, string $text, int $x = 50, int $size = 12): array => [$x, $y, $size, $text];
        yield 'nothing' => [[], []];
        yield 'a heading and a paragraph of two lines' => [[[$line(700, 'Tuning', size: 20), $line(660, $full),
            $line(645, 'to sit down.')]],
            ['1 Tuning', "<p>{$full} to sit down.</p>", '---']];
        yield 'a gap begins a paragraph' => [[[$line(660, $full), $line(645, $full), $line(618, $full), $line(603, 'x')]],
            ["<p>{$full} {$full}</p>", "<p>{$full} x</p>", '---']];
        yield 'a short line ends one' => [[[$line(660, $full), $line(645, 'sit.'), $line(630, $full)]],
            ["<p>{$full} sit.</p>", "<p>{$full}</p>", '---']];
        yield 'a word that was divided' => [[[$line(660, $full.' play-'), $line(645, 'ing it.')]],
            ["<p>{$full} playing it.</p>", '---']];
        yield 'a heading over two lines' => [[[$line(700, 'Twelve minutes', size: 20), $line(676, 'a day', size: 20), $line(650, $full)]],
            ['1 Twelve minutes a day', "<p>{$full}</p>", '---']];
        yield 'two sizes of headings' => [[[$line(700, 'A', size: 24), $line(670, 'B', size: 18), $line(650, $full)]],
            ['1 A', '2 B', "<p>{$full}</p>", '---']];
        yield 'bullets, with a second line' => [[[$line(660, $full), $line(640, '• Tune the'), $line(625, 'strings', 62),
            $line(610, '• Sit')]],
            ["<p>{$full}</p>", '<ul><li>Tune the strings</li><li>Sit</li></ul>', '---']];
        yield 'numbers' => [[[$line(660, '1. Tune'), $line(645, '2) Sit')]], ['<ol><li>Tune</li><li>Sit</li></ol>', '---']];
        yield 'boxes' => [[[$line(660, '☐ Tune'), $line(645, '[x] Sit')]], ['[] Tune,Sit', '---']];
        yield 'letters that are printed one by one' => [[array_map(fn (int $i): array => $line(660, 'cello'[$i], 50 + 6 * $i),
            range(0, 4))],
            ['<p>cello</p>', '---']];
        $letters = fn (string $text, array $at): array => array_map(fn (string $letter, int $x): array => $line(660, $letter, $x),
            str_split($text), $at);
        yield 'letters with spaces between them, as browsers print' => [[$letters('My mum', [50, 61, 68, 71, 82, 89])],
            ['<p>My mum</p>', '---']];
        yield 'letters with a gap for a space' => [[$letters('Mymum', [50, 61, 72, 83, 90])], ['<p>My mum</p>', '---']];
        yield 'words that are printed one by one' => [[[$line(660, 'Play'), $line(660, 'the', 80), $line(660, 'cello', 100)]],
            ['<p>Play the cello</p>', '---']];
        $sheet = fn (string $n, string $words): array => [$line(800, 'The Practice Plan'), $line(660, $words), $line(40, "Sheet {$n}")];
        yield 'what runs along' => [[$sheet('1', 'A'), $sheet('2', 'B'), $sheet('3', 'C')],
            ['<p>A</p>', '---', '<p>B</p>', '---', '<p>C</p>', '---']];
        yield 'numbers of sheets' => [[[$line(660, 'a'), $line(40, '1')], [$line(660, '12 strings'), $line(40, '2 / 2')]],
            ['<p>a</p>', '---', '<p>12 strings</p>', '---']];
        yield 'a paragraph over the end of a sheet' => [[[$line(660, $full)], [$line(660, 'so on. Then sit.')]],
            ["<p>{$full} so on. Then sit.</p>", '---', '---']];
        yield 'one that ends there' => [[[$line(660, 'It ends.')], [$line(660, 'cello')]],
            ['<p>It ends.</p>', '---', '<p>cello</p>', '---']];
        yield 'marks of HTML are words' => [[[$line(660, 'a < b & "c"')]], ['<p>a &lt; b &amp; &quot;c&quot;</p>', '---']];
        yield 'no size, and far outside' => [[[[-1e9, 1e9, 0, 'x'], [1e9, -1e9, -5, 'y']]], ['<p>x</p>', '<p>y</p>', '---']];
    }

    /**
     * @param  list<list<array{float|int, float|int, float|int, string}>>  $sheets
     * @param  list<string>  $expected
     */
    #[DataProvider('printed')]
    public function test_printed_words_are_put_together(array $sheets, array $expected): void
    {
        $pieces = PrintedText::of(array_map(fn (array $s): array => array_map(
            fn (array $w): PrintedWord => new PrintedWord((float) $w[0], (float) $w[1], (float) $w[2], $w[3]), $s), $sheets));
        self::assertSame($expected, array_map(fn (Piece $p): string => match (true) {
            $p->ends => '---',
            $p->isHeading() => "{$p->level} {$p->text}",
            $p->ticks !== [] => '[] '.implode(',', $p->ticks),
            default => $p->html,
        }, $pieces));
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function names(): iterable
    {
        yield 'its heading' => [['# Tuning', 'a'], 'Tuning'];
        yield 'its first sentence' => [['Sit down. Then play.', 'b'], 'Sit down.'];
        yield 'of a long one the beginning' => [['Sit down and play '.str_repeat('on and ', 20)],
            'Sit down and play on and on and on and on and on and on and…'];
        yield 'its number' => [[], 'Page 3'];
    }

    /** @param  list<string>  $written */
    #[DataProvider('names')]
    public function test_a_page_is_called_by_what_it_begins_with(array $written, string $expected): void
    {
        self::assertSame($expected, Pagination::name(self::pieces(...$written), 3));
    }
}
