<?php

declare(strict_types=1);

namespace Tests\Core\Guides;

use DateTimeImmutable;
use Lantern\Core\Guides\ReadingCurve;
use Lantern\Core\Guides\ReadingRight;
use Lantern\Core\Guides\ReadingTime;
use Lantern\Core\Page\Document;
use Lantern\Core\Statistics\Median;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where readers stop, and how long a page takes. */
final class CurveTest extends TestCase
{
    private const PAGES = ['a', 'b', 'c', 'd'];

    public function test_how_many_came_as_far_as_each_page(): void
    {
        $readers = [['a'], ['a', 'b'], ['a', 'c'], ['d'], [], ['gone']];
        $curve = ReadingCurve::of(self::PAGES, $readers);

        self::assertSame(6, $curve->readers);
        self::assertSame(['a' => 4, 'b' => 3, 'c' => 2, 'd' => 1], $curve->reached, 'whoever was on the fourth came by the first');
        self::assertNull($curve->stop(), 'six say nothing yet');
    }

    /** @return iterable<string, array{array<string, int>, array{string, int, int, int}|null}> how many stopped at each page */
    public static function stops(): iterable
    {
        yield 'most stop at the second' => [['a' => 2, 'b' => 14, 'c' => 3, 'd' => 11], ['b', 2, 28, 14]];
        yield 'the share counts, not the number' => [['a' => 10, 'b' => 2, 'c' => 9, 'd' => 9], ['c', 3, 18, 9]];
        yield 'of a handful a large share is quickly gone' => [['a' => 10, 'b' => 20, 'c' => 8, 'd' => 1], ['b', 2, 29, 20]];
        yield 'the first of two alike' => [['a' => 20, 'b' => 10, 'c' => 0, 'd' => 10], ['a', 1, 40, 20]];
        yield 'nobody stops before the end' => [['d' => 40], null];
    }

    /**
     * @param  array<string, int>  $at
     * @param  array{string, int, int, int}|null  $stop
     */
    #[DataProvider('stops')]
    public function test_where_most_of_them_stop(array $at, ?array $stop): void
    {
        $readers = array_merge([], ...array_map(fn (string $page, int $count): array => array_fill(0, $count, [$page]), array_keys($at),
            $at));
        $found = ReadingCurve::of(self::PAGES, $readers)->stop();

        self::assertSame($stop, $found === null ? null : array_values($found));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, int}> */
    public static function blocks(): iterable
    {
        $text = fn (string $words): array => ['id' => 't', 'kind' => 'text', 'html' => "<p>{$words}</p>"];
        yield 'nothing' => [[], 0];
        yield 'two hundred and twenty words' => [[$text(str_repeat('word ', 220))], 60];
        yield 'an apostrophe and a dash make no word more' => [[$text(str_repeat('it’s well-known ', 110))], 60];
        yield 'Japanese' => [[$text(str_repeat('練習', 220))], 60];
        yield 'a picture' => [[['id' => 'p', 'kind' => 'picture', 'picture' => '', 'alt' => '']], 6];
        yield 'a question, which takes thought' => [[['id' => 'r', 'kind' => 'reflection', 'text' => '']], 30];
        yield 'three things to do' => [[['id' => 'c', 'kind' => 'checklist',
            'items' => [['title' => ''], ['title' => ''], ['title' => '']]]],
            12];
    }

    /** @param  list<array<string, mixed>>  $blocks */
    #[DataProvider('blocks')]
    public function test_how_long_a_page_takes(array $blocks, int $seconds): void
    {
        $document = Document::fromArray(['format' => Document::FORMAT, 'sections' => [['id' => 's', 'kind' => 'words',
            'blocks' => $blocks]]]);
        self::assertSame($seconds, ReadingTime::of($document));
    }

    public function test_minutes_are_never_none(): void
    {
        self::assertSame([1, 1, 2, 3], array_map(ReadingTime::minutes(...), [0, 80, 95, 170]));
    }

    /** @return iterable<string, array{list<int>, int}> */
    public static function middles(): iterable
    {
        yield 'none' => [[], 0];
        yield 'one' => [[7], 7];
        yield 'an odd number, in any order' => [[9, 1, 4], 4];
        yield 'an even number' => [[9, 1, 4, 6], 5];
        yield 'rounded down' => [[1, 2], 1];
    }

    /** @param  list<int>  $numbers */
    #[DataProvider('middles')]
    public function test_the_middle_of_numbers(array $numbers, int $expected): void
    {
        self::assertSame($expected, Median::of($numbers));
    }

    /** @return iterable<string, array{string|null, string|null, bool}> taken back, joined, may they read */
    public static function rights(): iterable
    {
        yield 'by an email' => [null, null, true];
        yield 'by a form' => [null, '2027-01-02', true];
        yield 'taken back, by an email' => ['2027-01-03', null, false];
        yield 'taken back after the form' => ['2027-01-03', '2027-01-02', false];
        yield 'in the same moment' => ['2027-01-03', '2027-01-03', false];
        yield 'joined anew' => ['2027-01-03', '2027-01-04', true];
    }

    #[DataProvider('rights')]
    public function test_who_may_read(?string $takenBack, ?string $joined, bool $may): void
    {
        $at = fn (?string $day): ?DateTimeImmutable => $day === null ? null : new DateTimeImmutable($day);
        self::assertSame($may, ReadingRight::holds($at($takenBack), $at($joined)));
    }
}
