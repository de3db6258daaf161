<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Languages\PhraseCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which words of an owner's can stand in place of a phrase, and what they are told of those that cannot. */
final class PhraseCheckTest extends TestCase
{
    private const SAMPLES = ['name' => 'Maya', 'count' => 3, 'amount' => '49 €', 'rate' => 0.19, 'tax' => 'yes', 'moment' => 'today'];

    private const PLURAL = '{count, plural, one {# person is here} other {# people are here}}';

    /** @return iterable<string, array{0: string, 1: string, 2?: string}> what ships, what stands in its place, what is said of it */
    public static function texts(): iterable
    {
        yield 'no value' => ['Close', 'Shut it'];
        yield 'a value elsewhere' => ['Hello {name},', '{name}, hello'];
        yield 'a value twice' => ['Hello {name},', '{name}! {name}!'];
        yield 'an apostrophe' => ['Hello {name},', "{name}, don't be shy"];
        yield 'forms of numbers' => [self::PLURAL, '{count, plural, =0 {nobody} one {one} other {#}} so far'];
        yield 'a form within a form' => [self::PLURAL, '{count, plural, one {one {count, plural, other {#}}} other {many}}'];
        yield 'a value that only some forms say' => ['{tax, select, yes {plus tax} other {{amount}}}',
            '{tax, select, yes {and tax} other {only {amount}}}'];
        yield 'marked words' => ['Or <link>register here</link>.', '<link>Come in</link>!'];
        yield 'less than' => ['Three digits.', 'a < b, and 3<4'];
        yield 'a brace alone where nothing is filled in' => ['Close', 'Shut :-}'];
        yield 'other letters' => ['Close', 'סגירה'];

        yield 'a brace that is not closed' => ['Hello {name},', 'Hello {name,', 'do not come out even'];
        yield 'a form without the one for all others' => [self::PLURAL, '{count, plural, one {one}}', 'cannot be read'];
        yield 'a value that is missing' => ['Hello {name},', 'Hello!', '{name} is missing'];
        yield 'a value that is quoted away' => ['Hello {name},', "Hello '{name}'", '{name} is missing'];
        yield 'two that are missing' => ['{name}: {amount}', 'Nothing', '{name} and {amount} are missing'];
        yield 'a value there is not' => ['Hello {name},', 'Hello {name} {email}', '{email} is not known here. There is {name}.'];
        yield 'a value where there is none' => ['Close', 'Close {it}', 'Nothing is filled in'];
        yield 'a value in a form alone' => ['Close', '{count, plural, other {{name}}}', '{count} and {name} are not known'];
        yield 'a value by number' => ['Close', '{0}', '{0} is not known'];
        yield 'words for a number' => ['Hello {name},', 'Hello {name, number}', 'cannot be written this way'];
        yield 'markup' => ['Close', '<b>Close</b>', '“<b>” would be read as it stands'];
        yield 'a script' => ['Close', '<script>alert(1)</script>', '“<script>” would be read'];
        yield 'markup that is not closed' => ['Close', 'Close <img src=x onerror=alert(1)', 'would be read'];
        yield 'other marked words' => ['Or <link>here</link>.', '<link>here</link> <a>there</a>', 'but by <link>…</link>'];
        yield 'marked words that are missing' => ['Or <link>here</link>.', 'Or here', 'Please put <link> and </link> once'];
        yield 'an element that is not closed' => ['Or <link>here</link>.', 'Or <link>here', 'Please put <link>'];
        yield 'an element with nothing in it' => ['Or <link>here</link>.', 'Or <link></link>', 'Please put <link>'];
        yield 'an element twice' => ['Or <link>here</link>.', '<link>a</link> <link>b</link>', 'Please put <link>'];
        yield 'far too long' => ['Close', str_repeat('x', 201), 'it has room for 200 characters, and these are 201'];
        yield 'a null byte' => ['Close', "Cl\0ose", 'cannot be seen'];
        yield 'a turn of direction' => ['Close', "Cl\u{202e}ose", 'cannot be seen'];
        yield 'no letters at all' => ['Close', "Cl\xc3\x28", 'cannot be seen'];
    }

    #[DataProvider('texts')]
    public function test_what_can_stand_in_place_of_a_phrase(string $ships, string $own, ?string $why = null): void
    {
        $wrong = PhraseCheck::wrong(Language::of('en'), $ships, $own,
            array_intersect_key(self::SAMPLES, array_flip(PhraseCheck::values($ships))));
        $why === null ? self::assertNull($wrong) : self::assertStringContainsString($why, (string) $wrong);
    }

    public function test_words_are_kept_by_language_and_those_of_a_funnel_go_before_those_of_its_business(): void
    {
        $business = OwnPhrases::none()->with('de', 'page.close', 'Zu')->with('de', 'page.menu', 'Inhalt')->with('fr', 'page.menu', 'Carte');
        $funnel = OwnPhrases::none()->with('de', 'page.close', 'Weg damit');
        $both = $funnel->over($business);

        self::assertSame('Weg damit', $both->text('de', 'page.close'));
        self::assertSame('Inhalt', $both->text('de', 'page.menu'));
        self::assertSame('Carte', $both->text('fr', 'page.menu'));
        self::assertNull($both->text('en', 'page.menu'));
        self::assertSame(['de'], array_keys($both->for(Language::of('de-x-formal'))->texts));
        self::assertTrue($both->for(Language::of('it'))->isEmpty());
        self::assertSame([], $funnel->with('de', 'page.close', '')->toArray());
        self::assertSame($both->toArray(), OwnPhrases::of($both->toArray())->toArray());
    }

    /** @return iterable<string, array{mixed}> */
    public static function strange(): iterable
    {
        yield 'nothing' => [null];
        yield 'a word' => ['de'];
        yield 'a list' => [['page.close']];
        yield 'no language' => [['../../etc' => ['page.close' => 'x']]];
        yield 'no key' => [['de' => ['page close' => 'x', '' => 'y', 'Page.Close' => 'z']]];
        yield 'no text' => [['de' => ['page.close' => ['x'], 'page.menu' => 3, 'page.share' => '']]];
        yield 'a text that is too long' => [['de' => ['page.close' => str_repeat('x', OwnPhrases::LONGEST + 1)]]];
    }

    #[DataProvider('strange')]
    public function test_what_is_no_phrase_is_left_out(mixed $written): void
    {
        self::assertTrue(OwnPhrases::of($written)->isEmpty());
    }
}
