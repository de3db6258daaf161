<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\People\Import\Cards;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Address books as they come out of telephones and old programs. */
final class CardsTest extends TestCase
{
    /** @return array<int, list<string>> */
    private static function read(string $file): array
    {
        return iterator_to_array(Cards::people(preg_split('/(?<=\n)/', $file, -1, PREG_SPLIT_NO_EMPTY) ?: []));
    }

    /** @return iterable<string, array{string, list<string>}> the lines between the first and the last, and who it is */
    public static function cards(): iterable
    {
        $ash = ['robin@example.com', 'Robin', 'Ash', '', ''];
        yield 'version 3' => ["VERSION:3.0\nN:Ash;Robin;;;\nEMAIL:robin@example.com", $ash];
        yield 'only the whole name' => ["VERSION:4.0\nFN:Kim van Elm\nEMAIL:kim@example.com",
            ['kim@example.com', 'Kim van', 'Elm', '', '']];
        yield 'quoted, in UTF-8' => ["VERSION:2.1\nN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:M=C3=BCller;Zo=C3=AB\n"
            .'EMAIL;INTERNET:z@example.com',
            ['z@example.com', 'Zoë', 'Müller', '', '']];
        yield 'quoted, in another encoding' => [
            "VERSION:2.1\nN;ENCODING=QUOTED-PRINTABLE;CHARSET=ISO-8859-1:M=FCller;Zo=EB\nEMAIL:z@example.com",
            ['z@example.com', 'Zoë', 'Müller', '', '']];
        yield 'bare bytes of another encoding' => ["VERSION:2.1\nN;CHARSET=ISO-8859-1:M\xFCller;Zo\xEB\nEMAIL:z@example.com",
            ['z@example.com', 'Zoë', 'Müller', '', '']];
        yield 'bare bytes, of nobody knows which' => ["VERSION:2.1\nN:M\xFCller;Zo\xEB\nEMAIL:z@example.com",
            ['z@example.com', 'Zoë', 'Müller', '', '']];
        yield 'what says Latin and is UTF-8' => ["VERSION:2.1\nN;CHARSET=ISO-8859-1:Müller;Zoë\nEMAIL:z@example.com",
            ['z@example.com', 'Zoë', 'Müller', '', '']];
        yield 'Cyrillic' => ["VERSION:2.1\nN;CHARSET=KOI8-R:".mb_convert_encoding('Зайка;Нина', 'KOI8-R', 'UTF-8')."\nEMAIL:n@example.com",
            ['n@example.com', 'Нина', 'Зайка', '', '']];
        yield 'an encoding that there is not' => ["VERSION:2.1\nN;CHARSET=X-NONE:Ash;Robin\nEMAIL:robin@example.com", $ash];
        yield 'a soft line break' => ["VERSION:2.1\nN;ENCODING=QUOTED-PRINTABLE:A=\nsh;Ro=\nbin\nEMAIL:robin@example.com", $ash];
        yield 'a soft line break before the end' => ["VERSION:2.1\nEMAIL:robin@example.com\nN;QUOTED-PRINTABLE:Ash;Robin=", $ash];
        yield 'a line parted anywhere' => ["VERSION:3.0\nN:Ash;Ro\n bin;;;\nEMAIL:robin@exam\n\tple.com", $ash];
        yield 'an old line parted at a blank' => ["VERSION:2.1\nFN:Robin\n Ash\nEMAIL:robin@example.com", $ash];
        yield 'junk between' => ["VERSION:3.0\nrubbish\nN:Ash;Robin;;;\n:::\n\nX-;=:\nEMAIL:robin@example.com", $ash];
        yield 'a picture' => ["VERSION:3.0\nPHOTO;ENCODING=b:AAAA\n EMAIL:no@example.com\nN:Ash;Robin;;;\nEMAIL:robin@example.com", $ash];
        yield 'an address as a link' => ["VERSION:4.0\nN:Ash;Robin;;;\nEMAIL;VALUE=uri:mailto:robin%40example.com?subject=x", $ash];
        yield 'the preferred of two, old' => ["N:Ash;Robin\nEMAIL;INTERNET:a@example.com\nEMAIL;INTERNET;PREF:robin@example.com", $ash];
        yield 'the preferred of two, by type' => ["N:Ash;Robin\nEMAIL;TYPE=home:a@example.com\nEMAIL;TYPE=\"work,pref\":robin@example.com",
            $ash];
        yield 'the preferred of three, by number' => [
            "N:Ash;Robin\nEMAIL;PREF=20:a@example.com\nEMAIL;PREF=1:robin@example.com\nEMAIL:c@example.com", $ash];
        yield 'the first that is an address' => ["N:Ash;Robin\nEMAIL;PREF=1:nobody\nEMAIL:robin@example.com", $ash];
        yield 'none that is an address' => ["N:Ash;Robin\nEMAIL:nobody", ['nobody', 'Robin', 'Ash', '', '']];
        yield 'no address at all' => ['N:Ash;Robin', ['', 'Robin', 'Ash', '', '']];
        yield 'groups, phone and tags' => ["item1.EMAIL:robin@example.com\nN:Ash;Robin\nTEL;VALUE=uri:tel:+49-30\n"
            ."CATEGORIES:A\\,b,C\nCATEGORIES:D",
            ['robin@example.com', 'Robin', 'Ash', '+49-30', 'A,b;C;D']];
        yield 'signs that are kept from meaning something' => ["N:A\\;sh;Ro\\,bin\nEMAIL:robin@example.com",
            ['robin@example.com', 'Ro,bin', 'A;sh', '', '']];
        yield 'a colon in a parameter' => ["N:Ash;Robin\nEMAIL;X-NOTE=\"a:b;c\":robin@example.com", $ash];
        yield 'a card within' => ["N:Ash;Robin\nAGENT:\nBEGIN:VCARD\nEMAIL:agent@example.com\nEND:VCARD\nEMAIL:robin@example.com", $ash];
        yield 'nothing' => ['', ['', '', '', '', '']];
    }

    /** @param  list<string>  $person */
    #[DataProvider('cards')]
    public function test_a_card(string $lines, array $person): void
    {
        $card = "BEGIN:VCARD\n{$lines}\nEND:VCARD\n";

        self::assertSame([1 => $person], self::read($card));
        self::assertSame([1 => $person], self::read(str_replace("\n", "\r\n", $card)));
        self::assertSame([1 => $person, 1 + substr_count($card, "\n") => $person], self::read("\u{FEFF}".$card.$card));
    }

    public function test_a_card_without_an_end_is_not_lost(): void
    {
        self::assertSame([1 => ['a@example.com', '', '', '', ''], 3 => ['b@example.com', '', '', '', '']],
            self::read("BEGIN:VCARD\nEMAIL:a@example.com\nBEGIN:VCARD\nEMAIL:b@example.com\n"));
        self::assertSame([2 => ['', 'Robin', 'Ash', '', '']],
            self::read("junk\nBEGIN:VCARD\nN:Ash;Robin\nEMAIL:robin@exam"), 'half an address is none');
        self::assertSame([1 => ['a@example.com', '', '', '', '']], self::read("BEGIN:VCARD\nEMAIL:a@example.com\nEND:VCARD"));
        self::assertSame([], self::read("EMAIL:a@example.com\nEND:VCARD\n"));
    }
}
