<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\MadeUp;

/** What the made-up language finds, and what it lets pass: a check that finds nothing is worth nothing. */
final class MadeUpTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> */
    public static function pages(): iterable
    {
        yield 'a phrase' => ['<p>⟦Closeაა⟧</p>', []];
        yield 'a phrase across elements' => ['<p>⟦Or <a href="/x">register here</a>.აა⟧</p>', []];
        yield 'a phrase within a phrase' => ['<p>⟦Look again. ⟦Nothing was charged.აა⟧აა⟧</p>', []];
        yield 'an owner’s words' => ['<p>Ξελλο</p><img alt="Ξελλο">', []];
        yield 'an address' => ['<p>imke@ferncroft.example, https://pages.example/plan</p>', []];
        yield 'words outside' => ['<p>⟦Closeაა⟧ now</p>', ['now']];
        yield 'words beside a phrase' => ['<p>Close</p><p>⟦Closeაა⟧</p>', ['Close']];
        yield 'an alternative text' => ['<img alt="A cello">', ['alt of <img>: A cello']];
        yield 'a label for screen readers' => ['<button aria-label="Shut it"></button>', ['aria-label of <button>: Shut it']];
        yield 'a button' => ['<input type="submit" value="Send">', ['value of <input>: Send']];
        yield 'words for a script' => ['<p data-said="Please wait"></p>', ['data-said: Please wait']];
        yield 'words for a script, as JSON' => ['<p data-say=\'{"wait":"Please wait","key":"abc"}\'></p>', ['data-say wait: Please wait']];
        yield 'a title' => ['<title>My purchases</title>', ['My purchases']];
        yield 'a description' => ['<meta name="description" content="Buy it">', ['content of <meta>: Buy it']];
        yield 'a script and a style' => ['<script>let some = words</script><style>.some{color:red}</style>', []];
    }

    /** @param  list<string>  $found */
    #[DataProvider('pages')]
    public function test_what_is_found_on_a_page(string $html, array $found): void
    {
        self::assertSame($found, MadeUp::foundInHtml($html));
    }

    public function test_what_is_found_in_an_answer_for_a_script(): void
    {
        self::assertSame([], MadeUp::foundIn(['state' => 'open', 'at' => '2027-03-01', 'words' => '⟦Closeაა⟧'], 'json'));
        self::assertSame(['json words: Try again', 'here'], MadeUp::foundIn(['words' => 'Try again', 'html' => '<p>here</p>'], 'json'));
    }

    public function test_an_owners_words_keep_what_is_not_theirs(): void
    {
        self::assertSame('<p class="x">Ηελλο {{first_name|φριενδ}}, &amp; https://a.example/b</p>',
            MadeUp::greek('<p class="x">Hello {{first_name|friend}}, &amp; https://a.example/b</p>'));
        self::assertSame(['kind' => 'email', 'text' => 'Ξομε ιν', 'at' => '2027-03-01T18:00', 'currency' => 'EUR', 'id' => 'Abc D'],
            MadeUp::greekIn(['kind' => 'email', 'text' => 'Come in', 'at' => '2027-03-01T18:00', 'currency' => 'EUR', 'id' => 'Abc D']));
        self::assertSame('⟦Closeაა⟧', MadeUp::phrases(['page.close' => 'Close'])['page.close']);
    }
}
