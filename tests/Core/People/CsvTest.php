<?php

declare(strict_types=1);

namespace Tests\Core\People;

use Lantern\Core\People\CsvReader;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\People\DateOrder;
use Lantern\Core\People\FieldKind;
use Lantern\Core\People\ImportPlan;
use Lantern\Core\People\ListLine;
use Lantern\Core\People\TextEncoding;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Lists as people have them: with other delimiters, broken quotes, odd encodings, formulas. */
final class CsvTest extends TestCase
{
    /** @return list<array{line: int, fields: list<string>|null, raw: string}> */
    private static function read(string $csv, string $delimiter = ','): array
    {
        $reader = self::reader($csv, $delimiter);
        $records = [];
        while (($record = $reader->record()) !== null) {
            $records[] = array_diff_key($record, ['isWhole' => true]);
        }

        return $records;
    }

    private static function reader(string $csv, string $delimiter = ',', int $from = 0): CsvReader
    {
        return new CsvReader(function () use ($csv, &$from): ?ListLine {
            $end = strpos($csv, "\n", $from);
            $text = substr($csv, $from, ($end === false ? strlen($csv) : $end + 1) - $from);
            $line = $text === '' ? null : new ListLine($from, $text);
            $from += strlen($text);

            return $line;
        }, $delimiter);
    }

    /** @return iterable<string, array{string, list<list<string>|null>}> */
    public static function files(): iterable
    {
        yield 'plain' => ["a,b\nc,d\n", [['a', 'b'], ['c', 'd']]];
        yield 'no end of line at the end' => ["a,b\nc,d", [['a', 'b'], ['c', 'd']]];
        yield 'empty lines and blanks' => ["\n a , b \n\n   \nc,\n", [['a', 'b'], ['c', '']]];
        yield 'quotes, commas and quotes in quotes' => ["\"a, \"\"b\"\"\",c\n", [['a, "b"', 'c']]];
        yield 'a line end in quotes' => ["\"a\nb\",c\nd,e\n", [["a\nb", 'c'], ['d', 'e']]];
        yield 'quotes in the middle mean nothing' => ["5\" pipe,b\nc,d\n", [['5" pipe', 'b'], ['c', 'd']]];
        yield 'a quote that never closes costs one line' => ["a,\"b\nc,d\ne,f\n", [null, ['c', 'd'], ['e', 'f']]];
        yield 'two of them close each other, as they must' => ["a,\"b\nc\",d\ne,f\n", [['a', "b\nc", 'd'], ['e', 'f']]];
        yield 'a quote that closes in the middle of a name closes nothing' => ["a,\"b\nc,d\n\"Dora\" K,e\n",
            [null, ['c', 'd'], ['Dora K', 'e']]];
        yield 'nor one that opens a field further on' => ["a,\"b\nc,d\ne,\"f, g\"\n", [null, ['c', 'd'], ['e', 'f, g']]];
        yield 'quotes around a line end, with blanks behind' => ["\"a\nb\" ,c\nd,e\n", [["a\nb", 'c'], ['d', 'e']]];
        yield 'quotes in quotes over two lines' => ["\"a \"\"b\"\"\nc\",d\n", [["a \"b\"\nc", 'd']]];
        yield 'two fields over lines' => ["\"a\nb\",\"c\nd\"\n", [["a\nb", "c\nd"]]];
        yield 'a quote after a tab' => ["x,\t\"a,b\"\n", [['x', 'a,b']]];
        yield 'text behind a closed quote' => ["\"a\"b,c\n", [['ab', 'c']]];
        yield 'nothing' => ['', []];
        yield 'only line ends' => ["\n\n\n", []];
    }

    /** @param  list<list<string>|null>  $expected */
    #[DataProvider('files')]
    public function test_records(string $csv, array $expected): void
    {
        self::assertSame($expected, array_column(self::read($csv), 'fields'));
    }

    public function test_a_quote_that_stays_open_for_a_whole_file_costs_its_line_and_no_other(): void
    {
        $csv = "x,\"open\n".implode('', array_map(fn (int $i): string => "a{$i},b\n", range(1, 200)));
        $records = self::read($csv);

        self::assertCount(201, $records);
        self::assertSame([1, null, 'x,"open'], [$records[0]['line'], $records[0]['fields'], $records[0]['raw']]);
        self::assertSame([2, ['a1', 'b']], [$records[1]['line'], $records[1]['fields']]);
        self::assertSame([201, ['a200', 'b']], [$records[200]['line'], $records[200]['fields']]);
    }

    public function test_reading_goes_on_wherever_it_stopped_and_loses_nobody(): void
    {
        $csv = "Email,Name\n\n";
        for ($i = 0; $i < 200; $i++) {
            $csv .= "p{$i}@example.com,"
                .['Plain', '"Quoted, too"', "\"Over\ntwo\"", '"never closed', 'in "the" middle', '"" ', '"a"b'][$i % 7]."\n";
        }
        $whole = self::read($csv);
        for ($piece = 1; $piece < 60; $piece++) {
            [$at, $line, $records] = [0, 0, []];
            do {
                $reader = self::reader($csv, ',', $at);
                for ($n = 0; $n < $piece && ($record = $reader->record()) !== null; $n++) {
                    $records[] = ['line' => $line + $record['line']] + array_diff_key($record, ['isWhole' => true]);
                }
                [$line, $at] = [$line + $reader->lines(), $reader->at()];
            } while ($at !== null);
            self::assertSame($whole, $records, "in pieces of {$piece}");
        }
        $all = implode("\n", array_column($whole, 'raw'));
        foreach (range(0, 199) as $i) {
            self::assertStringContainsString("p{$i}@example.com", $all);
        }
        self::assertCount(29, array_filter($whole, fn (array $r): bool => $r['fields'] === null));
    }

    /** @return iterable<string, array{string}> */
    public static function broken(): iterable
    {
        yield 'open whichever way one comes to it' => ["a\",\"\n"];
        yield 'quotes that are part of the words' => ["x,\"\"\"a\n"];
        yield 'one open quote a line' => [",\"a\n"];
        yield 'nothing but quotes' => ["\"\"\"\n"];
    }

    #[DataProvider('broken')]
    public function test_every_line_is_asked_for_once_and_a_broken_file_takes_no_longer(string $line): void
    {
        $asked = 0;
        $reader = new CsvReader(function () use (&$asked, $line): ?ListLine {
            return $asked < 20_000 ? new ListLine($asked++ * strlen($line), $line) : null;
        }, ',');
        $lines = 0;
        while (($record = $reader->record()) !== null) {
            $lines += substr_count($record['raw'], "\n") + 1;
        }
        self::assertSame([20_000, 20_000, 20_000], [$asked, $lines, $reader->lines()]);
    }

    public function test_a_line_that_is_cut_off_opens_nothing(): void
    {
        $lines = [new ListLine(0, "a,\"b\n", isWhole: false), new ListLine(200_000, "c,d\n"), new ListLine(200_004, "e,\"f\n"),
            new ListLine(200_010, "g\",h\n", isWhole: false)];
        $reader = new CsvReader(function () use (&$lines): ?ListLine {
            return array_shift($lines);
        }, ',');
        $read = function () use ($reader): array {
            $record = $reader->record();

            return $record === null ? [] : [$record['fields'], $record['isWhole']];
        };

        self::assertSame([[null, false], [['c', 'd'], true], [null, true], [null, false], []],
            [$read(), $read(), $read(), $read(), $read()]);
    }

    public function test_lines_are_counted_through_records_that_go_over_several(): void
    {
        self::assertSame([1, 4, 6], array_column(self::read("\"a\nb\nc\",d\ne,f\n\ng,h\n"), 'line'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function delimiters(): iterable
    {
        yield 'commas' => ["Email,Name\na@b.example,\"Ash; Robin\"\n", ','];
        yield 'semicolons' => ["Email;Name\na@b.example;Ash, Robin\nc@d.example;Elm, Kim\n", ';'];
        yield 'tabs' => ["Email\tName\na@b.example\tAsh, Robin\n", "\t"];
        yield 'bars' => ["Email|Name\na@b.example|Ash\n", '|'];
        yield 'one column' => ["Email\na@b.example\n", ','];
    }

    #[DataProvider('delimiters')]
    public function test_the_delimiter_is_found(string $csv, string $delimiter): void
    {
        self::assertSame($delimiter, CsvReader::delimiter($csv));
    }

    /** @return iterable<string, array{string, TextEncoding, string}> */
    public static function encodings(): iterable
    {
        yield 'plain' => ['Email,Name', TextEncoding::Utf8, 'Email,Name'];
        yield 'UTF-8' => ['Zoë', TextEncoding::Utf8, 'Zoë'];
        yield 'UTF-8, cut in the middle of a letter' => [substr('Zoë', 0, 3), TextEncoding::Utf8, 'Zo?'];
        yield 'with a mark' => ["\xEF\xBB\xBFZoë", TextEncoding::Utf8, 'Zoë'];
        yield 'UTF-16 with a mark' => ["\xFF\xFEZ\0o\0", TextEncoding::Utf16Little, 'Zo'];
        yield 'UTF-16 the other way round' => ["\xFE\xFF\0Z\0o", TextEncoding::Utf16Big, 'Zo'];
        yield 'UTF-16 without one' => ["E\0m\0a\0i\0l\0", TextEncoding::Utf16Little, 'Email'];
        yield 'UTF-16 with half a letter at its end' => ["E\0m\0a\0i\0l", TextEncoding::Utf16Little, 'Emai?'];
        yield 'half a pair' => ["E\0m\0a\0i\0\x3D\xD8", TextEncoding::Utf16Little, 'Emai?'];
        yield 'an office program of the west' => ["Zo\xEB,M\xFCller", TextEncoding::Western, 'Zoë,Müller'];
        yield 'its dashes, quotes and capitals' => ["O\x92Neil \x96 \x8Aorm, na\xEFve", TextEncoding::Western,
            'O’Neil – Šorm, naïve'];
        yield 'an old Mac' => ["Ren\x8Ee,M\x9Fller", TextEncoding::OldMac, 'Renée,Müller'];
        yield 'an old Mac, by what no other has' => ["Fran\x8Dois", TextEncoding::OldMac, 'François'];
    }

    #[DataProvider('encodings')]
    public function test_the_encoding_is_found_and_anything_can_be_read(string $bytes, TextEncoding $encoding, string $text): void
    {
        $found = TextEncoding::of($bytes);
        self::assertSame($encoding, $found);
        self::assertSame($text, $found->toUtf8(substr($bytes, $found->mark($bytes))));
    }

    public function test_a_wide_letter_is_not_cut_in_two(): void
    {
        foreach ([TextEncoding::Utf16Little, TextEncoding::Utf16Big] as $encoding) {
            $bytes = mb_convert_encoding('a𝄞b', $encoding->value, 'UTF-8');
            for ($cut = 0; $cut <= strlen($bytes); $cut++) {
                [$whole, $rest] = $encoding->whole(substr($bytes, 0, $cut));
                [$then, $end] = $encoding->whole($rest.substr($bytes, $cut));
                self::assertSame(['a𝄞b', ''], [$encoding->toUtf8($whole).$encoding->toUtf8($then), $end], "cut at {$cut}");
            }
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function cells(): iterable
    {
        yield 'words' => ['Robin', 'Robin'];
        yield 'a comma' => ['Ash, Robin', '"Ash, Robin"'];
        yield 'quotes' => ['the "other" one', '"the ""other"" one"'];
        yield 'a line end' => ["a\nb", "\"a\nb\""];
        yield 'blanks at the ends' => [' a ', '" a "'];
        yield 'a formula' => ['=HYPERLINK("http://evil.example")', "\"'=HYPERLINK(\"\"http://evil.example\"\")\""];
        yield 'a formula with a plus' => ['+cmd|calc', "'+cmd|calc"];
        yield 'an at sign' => ['@SUM(A1)', "'@SUM(A1)"];
        yield 'a dash' => ['-2+3+cmd', "'-2+3+cmd"];
        yield 'a tab' => ["\t=1", "'\t=1"];
        yield 'a number below nothing stays one' => ['-3.5', '-3.5'];
        yield 'a phone number of digits and blanks stays one' => ['+44 20 1234', '+44 20 1234'];
        yield 'a phone number that can be worked out' => ['+49-30-1234', "'+49-30-1234"];
        yield 'one with brackets' => ['+44 20 (0) 1234-5', "'+44 20 (0) 1234-5"];
        yield 'a day behind a plus' => ['+1/2', "'+1/2"];
        yield 'a wide equals sign' => ['＝1+1', "'＝1+1"];
        yield 'wide signs' => ['＠SUM(A1)', "'＠SUM(A1)"];
        yield 'a blank before' => [' =1', "' =1"];
        yield 'something unseen before' => ["\u{FEFF}=1", "'\u{FEFF}=1"];
        yield 'an apostrophe of its own' => ["'=1", "''=1"];
        yield 'an apostrophe before a name' => ["'t Hooft", "'t Hooft"];
    }

    #[DataProvider('cells')]
    public function test_what_is_written_is_no_formula_and_reads_as_it_was(string $cell, string $written): void
    {
        self::assertSame($written.",x\r\n", CsvWriter::record($cell, 'x'));
        self::assertSame($cell, CsvWriter::unguarded((string) str_getcsv(rtrim(CsvWriter::record($cell, 'x'), "\r\n"), ',', '"', '')[0]));
    }

    /** @param  list<string>  $columns */
    private static function plan(array $columns, array $more = []): ImportPlan
    {
        return ImportPlan::fromShape(Shape::of($more + ['columns' => $columns, 'agreed' => true]));
    }

    /** @return iterable<string, array{list<string>, list<string>, array<string, mixed>}> columns, row, what it says of the person */
    public static function rows(): iterable
    {
        $own = ['email', 'level', 'age', 'since', 'likes'];
        yield 'address and names' => [['email', 'first_name', 'last_name'], [' Robin@Example.com ', "Robin\t X", 'Ash'],
            ['key' => 'robin@example.com', 'first' => 'Robin X', 'last' => 'Ash']];
        yield 'a whole name' => [['full_name', 'email'], ['Robin van Ash', 'r@example.com'], ['first' => 'Robin van', 'last' => 'Ash']];
        yield 'a whole name with a comma' => [['full_name', 'email'], ['van Ash, Robin', 'r@example.com'],
            ['first' => 'Robin', 'last' => 'van Ash']];
        yield 'one name' => [['full_name', 'email'], ['Robin', 'r@example.com'], ['first' => 'Robin', 'last' => '']];
        yield 'tags' => [['email', 'tags'], ['r@example.com', 'Cellist; Beginner,  | Cellist'],
            ['tags' => ['Spring', 'Cellist', 'Beginner']]];
        yield 'the mark of an export is no part of the words' => [['email', 'first_name'], ['r@example.com', "'=Robin"],
            ['first' => '=Robin']];
        yield 'a day as ISO has it' => [['email', 'joined'], ['r@example.com', '2026-3-1 10:00'], ['joined' => '2026-03-01']];
        yield 'a day with dots' => [['email', 'joined'], ['r@example.com', '1.3.2026'], ['joined' => '2026-03-01']];
        yield 'a day that can be one thing only' => [['email', 'joined'], ['r@example.com', '03/25/2026'], ['joined' => '2026-03-25']];
        yield 'a day that can be two in a file that writes the day first' => [['email', 'joined'], ['r@example.com', '03/04/2026'],
            ['joined' => '2026-04-03'], DateOrder::DayFirst];
        yield 'and in one that writes the month first' => [['email', 'joined'], ['r@example.com', '03/04/2026'], ['joined' => '2026-03-04'],
            DateOrder::MonthFirst];
        yield 'a day that can be only one is that one, whatever the file does' => [['email', 'joined'], ['r@example.com', '25/04/2026'],
            ['joined' => '2026-04-25'], DateOrder::MonthFirst];
        yield 'the third of March either way' => [['email', 'joined'], ['r@example.com', '03/03/2026'], ['joined' => '2026-03-03']];
        yield 'a day that can be two is neither' => [['email', 'joined'], ['r@example.com', '03/04/2026'], ['joined' => null]];
        yield 'a day there is not' => [['email', 'joined'], ['r@example.com', '2026-02-30'], ['joined' => null]];
        yield 'fewer cells than columns' => [['email', 'first_name'], ['r@example.com'], ['first' => '']];
        yield 'own fields by their kinds' => [$own, ['r@example.com', 'Some', '41,5', '31.12.2026', 'Bach; Folk'],
            ['own' => ['level' => ['Some'], 'age' => ['41.5'], 'since' => ['2026-12-31'], 'likes' => ['Bach', 'Folk']]]];
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $row
     * @param  array<string, mixed>  $expected
     */
    #[DataProvider('rows')]
    public function test_a_row_as_a_person(array $columns, array $row, array $expected, DateOrder $dates = DateOrder::Open): void
    {
        $p = self::plan($columns, ['dates' => $dates->value] + (isset($expected['tags']) ? ['tags' => ['Spring']] : []))
            ->row($row, ['age' => FieldKind::Number, 'since' => FieldKind::Date, 'likes' => FieldKind::Choices]);
        $all = ['key' => $p->email->key, 'first' => $p->firstName, 'last' => $p->lastName, 'tags' => $p->tags, 'joined' => $p->joined,
            'own' => $p->own];

        self::assertSame($expected, array_intersect_key(array_replace($expected, $all), $expected));
        self::assertSame(in_array('joined', $columns, true) && $p->joined === null, $p->note !== '', 'what could not be read is told');
    }

    /** @return iterable<string, array{list<string>, DateOrder}> */
    public static function datesOfFiles(): iterable
    {
        yield 'nothing' => [[], DateOrder::Open];
        yield 'no day with strokes' => [["a;2026-04-25\n", "b;25.04.2026\n", 'c;https://ferncroft.example/25/04/2026/x'], DateOrder::Open];
        yield 'only days that can be two' => [['a;03/04/2026', 'b;12/12/2026'], DateOrder::Open];
        yield 'the day first' => [['a;03/04/2026', 'b;25/04/2026'], DateOrder::DayFirst];
        yield 'the month first' => [['a,04/25/2026,x,3/4/2026'], DateOrder::MonthFirst];
        yield 'both' => [['a;25/04/2026', 'b;04/25/2026'], DateOrder::Open];
        yield 'no days at all' => [['a;31/31/2026', 'b;99/04/2026', '0/13/2026'], DateOrder::Open];
    }

    /** @param  list<string>  $lines */
    #[DataProvider('datesOfFiles')]
    public function test_in_which_order_a_file_writes_its_days(array $lines, DateOrder $expected): void
    {
        self::assertSame($expected, DateOrder::of($lines));
    }

    /** @return iterable<string, array{list<string>, list<string>, string}> */
    public static function refused(): iterable
    {
        yield 'no address' => [['email', 'first_name'], ['', 'Robin'], 'fill in your email address'];
        yield 'no address at all in the row' => [['first_name', 'email'], ['Robin'], 'fill in your email address'];
        yield 'no address to speak of' => [['email'], ['robin at example'], 'does not look like'];
        yield 'a second header' => [['email'], ["robin@example.com\nBcc: all@example.com"], 'does not look like'];
        yield 'a number that may be two' => [['email', 'age'], ['r@example.com', '1,234'], 'may be two'];
        yield 'a number that is none' => [['email', 'age'], ['r@example.com', 'old'], 'is no number'];
        yield 'a day that is none' => [['email', 'since'], ['r@example.com', 'soon'], 'is no day'];
        yield 'a thousand columns more' => [['email'], array_fill(0, 1000, 'x'), 'many more than the first'];
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $row
     */
    #[DataProvider('refused')]
    public function test_a_row_that_is_no_person(array $columns, array $row, string $sentence): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessage($sentence);
        self::plan($columns)->row($row, ['age' => FieldKind::Number, 'since' => FieldKind::Date]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongPlans(): iterable
    {
        yield 'no address' => [['columns' => ['first_name'], 'agreed' => true], 'which column holds the email address'];
        yield 'twice the same' => [['columns' => ['email', 'phone', 'phone'], 'agreed' => true], 'same field'];
        yield 'nobody agreed' => [['columns' => ['email']], 'agreed to hear'];
        yield 'a field with a bad name' => [['columns' => ['email', 'a b'], 'agreed' => true], 'no field'];
        yield 'no such rule' => [['columns' => ['email'], 'agreed' => true, 'known' => 'burn'], 'already'];
    }

    /** @param  array<string, mixed>  $plan */
    #[DataProvider('wrongPlans')]
    public function test_a_plan_that_cannot_be(array $plan, string $sentence): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessage($sentence);
        ImportPlan::fromShape(Shape::of($plan));
    }

    public function test_columns_are_guessed_by_their_headings_and_by_what_stands_in_them(): void
    {
        self::assertSame(['email', 'first_name', 'last_name', 'phone', 'tags', 'level', ''],
            ImportPlan::guess(['E-Mail', 'First_Name', 'SURNAME', 'Telefon', 'labels', 'My Level', 'Shoe size'], [],
                ['level' => 'My level']));
        self::assertSame(['full_name', 'email'],
            ImportPlan::guess(['Name', 'Column 2'], [['Robin', 'r@example.com'], ['Kim', 'k@example.com']]));
        self::assertSame(['', ''], ImportPlan::guess(['Column 1', 'Column 2'], [['Robin', 'x'], ['Kim', 'y']]));
        // Only where no heading says it is the address looked for, and only where more than half of the lines have one.
        self::assertSame(['email', ''], ImportPlan::guess(['Email', 'Notes'], [['r@example.com', 'see k@example.com']]));
        self::assertSame([''], ImportPlan::guess(['Column 1'], [['r@example.com'], ['x']]));
        self::assertSame(['email', ''], ImportPlan::guess(['Column 1', 'Column 2'], [['r@example.com', 's@example.com']]), 'once');
        self::assertSame(['first_name', ''], ImportPlan::guess(['First name', 'first_name'], []), 'no field stands twice');
        self::assertSame(['level', ''], ImportPlan::guess(['My level', 'Level'], [], ['level' => 'My level']), 'nor one of the owner’s');
        self::assertTrue(ImportPlan::hasHeader('Email', 'Name'));
        self::assertFalse(ImportPlan::hasHeader('robin@example.com', 'Robin'));
    }

    /** @return iterable<string, array{string, string|null}> as it is written, the tag that is kept */
    public static function languages(): iterable
    {
        yield 'a tag' => ['de', 'de'];
        yield 'a formal one, as our own export writes it' => ['de-x-formal', 'de-x-formal'];
        yield 'a region that is written otherwise' => ['pt-BR', 'pt-BR'];
        yield 'with an underscore' => ['pt_BR', 'pt-BR'];
        yield 'a region that makes no difference' => ['de-DE', 'de'];
        yield 'in capitals' => ['DE', 'de'];
        yield 'nothing' => ['', null];
        yield 'a word' => ['German', null];
        yield 'what there is not' => ['xx', null];
        yield 'a formal way that there is not' => ['pt-x-formal', 'pt'];
        yield 'hostile' => ['../../etc', null];
    }

    #[DataProvider('languages')]
    public function test_a_language_is_read_as_people_write_it(string $written, ?string $tag): void
    {
        $person = self::plan(['email', 'language'])->row(['ada@example.com', $written]);

        self::assertSame($tag, $person->language);
        self::assertSame($written !== '' && $tag === null, str_contains($person->note, 'Imported without a language'));
    }
}
