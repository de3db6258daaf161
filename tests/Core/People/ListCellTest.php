<?php

declare(strict_types=1);

namespace Tests\Core\People;

use Lantern\Core\People\ListCell;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ListCellTest extends TestCase
{
    /** @return iterable<string, array{list<string>, string}> */
    public static function lists(): iterable
    {
        yield 'nothing' => [[], ''];
        yield 'one' => [['Teacher'], 'Teacher'];
        yield 'several' => [['Teacher', 'Cello'], 'Teacher; Cello'];
        yield 'signs that part' => [['Berlin, Germany', 'a;b', 'c|d'], '"Berlin, Germany"; "a;b"; "c|d"'];
        yield 'quotes' => [['12" LP', '"', 'say "a;b"'], '"12"" LP"; """"; "say ""a;b"""'];
        yield 'letters of all kinds' => [['Zoë', '日本', '🎻'], 'Zoë; 日本; 🎻'];
        yield 'two lines' => [["a\nb", 'c'], "a\nb; c"];
    }

    /** @param  list<string>  $values */
    #[DataProvider('lists')]
    public function test_what_is_written_is_read_as_it_was(array $values, string $cell): void
    {
        self::assertSame($cell, ListCell::write($values));
        self::assertSame($values, ListCell::read($cell));
        self::assertSame($values, ListCell::read($cell, ';|'));
    }

    /** @return iterable<string, array{string, list<string>, 2?: string}> */
    public static function others(): iterable
    {
        yield 'commas and bars' => ['a, b|c ;d', ['a', 'b', 'c', 'd']];
        yield 'commas are words where they do not part' => ['a, b; c', ['a, b', 'c'], ';|'];
        yield 'empty ones' => [' ;; a ; ,', ['a']];
        yield 'a quote that is never closed' => ['"a; b', ['"a', 'b']];
        yield 'a quote in the middle' => ['12" LP; b', ['12" LP', 'b']];
        yield 'more after a closing quote' => ['"a" b; c', ['"a" b', 'c']];
        yield 'quotes around nothing' => ['""; a', ['a']];
    }

    /** @param  list<string>  $values */
    #[DataProvider('others')]
    public function test_how_others_write_it(string $cell, array $values, string $parted = ',;|'): void
    {
        self::assertSame($values, ListCell::read($cell, $parted));
    }
}
