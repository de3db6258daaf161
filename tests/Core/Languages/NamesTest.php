<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use Lantern\Core\Languages\Names;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Names are found without regard to marks, and stand in the order of a language. */
final class NamesTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function folds(): iterable
    {
        yield 'plain letters' => ['Maya COHEN', 'maya cohen'];
        yield 'marks' => ['Zoë Müller-Ångström', 'zoe muller-angstrom'];
        yield 'marks by themselves' => ["Zoe\u{308}", 'zoe'];
        yield 'letters that have no mark' => ['Łucja Straße Ødegård Þór', 'lucja strasse odegard thor'];
        yield 'other letters' => ['Élodie Καλημέρα', 'elodie καλημερα'];
        yield 'Hebrew with its vowels' => ['שָׁלוֹם', 'שלום'];
        yield 'nothing' => ['', ''];
        yield 'signs' => ['100 % _x_', '100 % _x_'];
    }

    #[DataProvider('folds')]
    public function test_folded(string $text, string $folded): void
    {
        self::assertSame($folded, Names::folded($text));
        self::assertSame($folded, Names::folded($folded), 'twice is as once');
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function orders(): iterable
    {
        yield 'English' => ['en-GB', ['', 'Ada', 'ångström', 'Zoe']];
        yield 'German' => ['de-DE', ['Abel', 'Äbel', 'Abels', 'Straße', 'Strasser', 'Zoe']];
        yield 'Swedish' => ['sv-SE', ['Ada', 'Zoe', 'Åsa', 'Älva', 'Örjan']];
        yield 'Polish' => ['pl-PL', ['Ala', 'Ąla', 'Lech', 'Luiza', 'Łucja', 'Zofia', 'Żaneta']];
        yield 'Spanish' => ['es-ES', ['Nadia', 'Nuria', 'Ñuñez', 'Oscar']];
        yield 'Czech' => ['cs-CZ', ['Cyril', 'Hana', 'Chalupa', 'Ivan']];
        yield 'Hebrew' => ['he-IL', ['אבי', 'בן', 'שרה', 'תמר']];
        yield 'capitals' => ['en-GB', ['ada', 'Ada', 'adam']];
    }

    /** @param  list<string>  $order */
    #[DataProvider('orders')]
    public function test_sorted_by_their_keys_as_by_the_language(string $locale, array $order): void
    {
        $mixed = $order;
        shuffle($mixed);
        usort($mixed, fn (string $a, string $b): int => strcmp(Names::sortKey($a, $locale), Names::sortKey($b, $locale)));
        self::assertSame($order, $mixed);
    }

    public function test_a_key_has_a_length_and_no_language_is_none(): void
    {
        self::assertSame(120, strlen(Names::sortKey(str_repeat('Maya ', 60), 'de-DE')));
        self::assertSame('', Names::sortKey('  ', 'de-DE'));
        self::assertLessThan(0, strcmp(Names::sortKey('Ada', 'xx-nothing'), Names::sortKey('Zoe', 'xx-nothing')));
    }
}
