<?php

declare(strict_types=1);

namespace Tests\Core\Page;

use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Contrast;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

final class BlockTest extends TestCase
{
    /** @return iterable<string, array{string, string, float}> known pairs of WCAG contrast */
    public static function contrasts(): iterable
    {
        yield 'black on white' => ['#000', '#ffffff', 21.0];
        yield 'the same' => ['#1e6b5e', '#1E6B5E', 1.0];
        yield 'the grey that just passes' => ['#767676', '#ffffff', 4.54];
        yield 'the grey that just fails' => ['#777777', '#ffffff', 4.48];
        yield 'red on white' => ['#ff0000', '#fff', 4.0];
    }

    #[DataProvider('contrasts')]
    public function test_contrast(string $a, string $b, float $ratio): void
    {
        self::assertEqualsWithDelta($ratio, Contrast::ratio(Colour::of($a), Colour::of($b)), 0.005);
        self::assertEqualsWithDelta($ratio, Contrast::ratio(Colour::of($b), Colour::of($a)), 0.005);
    }

    public function test_text_can_be_read_in_every_look_on_every_background(): void
    {
        $least = 21.0;
        foreach (Looks::all() as $look) {
            foreach ([null, '#000000', '#ffffff', '#808080', '#777777', '#ff0000', '#0000ff', '#ffff00', '#3ddc97', '#5a5a5a',
                '#c4533a'] as $background) {
                foreach ([null, '#ffffff', '#000000', '#808080', '#f0a830'] as $accent) {
                    $c = array_map(fn (string $hex): Colour => Colour::of($hex),
                        $look->with(new LookChanges(accent: $accent === null ? null : Colour::of($accent)))
                            ->coloursOn($background === null ? null : Colour::of($background)));
                    $least = min($least, Contrast::ratio($c['paper'], $c['ink']), Contrast::ratio($c['paper'], $c['soft']),
                        Contrast::ratio($c['paper'], $c['link']),
                        Contrast::ratio($c['accent'], $c['onAccent']), Contrast::ratio($c['field'], $c['onField']));
                    self::assertGreaterThanOrEqual(Contrast::LARGE, Contrast::ratio($c['field'], $c['line']),
                        "{$look->id}: the outline of a field");
                }
            }
        }
        self::assertGreaterThanOrEqual(Contrast::TEXT, $least);
    }

    public function test_a_document_comes_back_as_it_was_written(): void
    {
        foreach ([...Plans::giveAway()->pages, ...Plans::waitingList()->pages] as $page) {
            $written = $page->document->toArray();
            self::assertSame($written, Document::fromArray(json_decode((string) json_encode($written), true))->toArray());
        }
    }

    public function test_it_knows_its_headline_words_and_pictures(): void
    {
        $document = Document::fromArray(['format' => 1, 'background' => ['picture' => 'p1'],
            'sections' => [['id' => 's', 'kind' => 'opening', 'blocks' => [
                ['id' => 'a', 'kind' => 'text', 'html' => 'Twelve &amp; more<ul><li>one</li><li>two</li></ul>'],
                ['id' => 'b', 'kind' => 'heading', 'text' => 'Play'],
                ['id' => 'c', 'kind' => 'picture', 'picture' => 'p2', 'alt' => 'A cello'],
                ['id' => 'd', 'kind' => 'cover', 'picture' => 'p1', 'text' => 'x']]]]]);

        self::assertSame('Play', $document->headline());
        self::assertSame('Twelve & moreone two', $document->blocksOf(BlockKind::Text)[0]->words());
        self::assertSame(['p2', 'p1'], $document->pictures());
    }
}
