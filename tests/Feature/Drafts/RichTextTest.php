<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Forms\FormToken;
use App\Mail\Emails\PlainText;
use App\Rendering\Slots;
use App\Support\Ids;
use App\Support\Instant;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Words on their way in and out: what is kept of HTML, what an email is as plain text, what can fill a slot. */
final class RichTextTest extends TestCase
{
    /** @return iterable<string, array{string, string}> what came in, what is kept */
    public static function words(): iterable
    {
        yield 'plain' => ['Twelve minutes', 'Twelve minutes'];
        yield 'marks' => ['<b>a</b> <i>b</i> <strong>c</strong> <em>d</em><br>', '<b>a</b> <i>b</i> <strong>c</strong> <em>d</em><br>'];
        yield 'lists' => ['<ul><li>one</li></ul>', '<ul><li>one</li></ul>'];
        yield 'a link' => ['<a href="https://ferncroft.example/a?b=1&amp;c=2">x</a>',
            '<a href="https://ferncroft.example/a?b&#61;1&amp;c&#61;2">x</a>'];
        yield 'a link to write to' => ['<a href="mailto:imke@ferncroft.example">x</a>',
            '<a href="mailto:imke&#64;ferncroft.example">x</a>'];
        yield 'a link that is a merge field' => ['<a href="{{download_link}}">x</a>', '<a href="{{download_link}}">x</a>'];
        yield 'links inside the funnel' => ['<a href="page:01abc" onclick="x">a</a> <a href=\'section:s-1\'>b</a> <a '
            .'href="outcome:declined">c</a> <a href="tel:123">d</a>',
            '<a href="page:01abc">a</a> <a href="section:s-1">b</a> <a href="outcome:declined">c</a> <a href="tel:123">d</a>'];
        yield 'what only looks like one' => ['<a href="page:javascript:alert(1)">a</a> <a href="pages:x">b</a> <a href="page:">c</a>',
            '<a>a</a> <a>b</a> <a>c</a>'];
        yield 'colours of the look, and others' => ['<span class="in-accent">a</span> <span class="in-accent x">b</span> <span '
            .'style="color:red">c</span> <span class="in-soft"><span>d</span> <span class="in-accent">e</span></span>',
            '<span class="in-accent">a</span> b c <span class="in-soft">d <span class="in-accent">e</span></span>'];
        yield 'what an editor wraps words in' => ['<div>one</div><span style="color:red">two</span>', 'onetwo'];
        yield 'script' => ['a<script>alert(1)</script>b', 'ab'];
        yield 'script in a link' => ['<a href="javascript:alert(1)">x</a>', '<a>x</a>'];
        yield 'script in an odd link' => ['<a href="java&#10;script:alert(1)">x</a>', '<a>x</a>'];
        yield 'data in a link' => ['<a href="data:text/html,<script>alert(1)</script>">x</a>', '<a>x</a>'];
        yield 'handlers' => ['<b onclick="x()" onmouseover=y style="position:fixed">a</b>', '<b>a</b>'];
        yield 'a drawing that runs' => ['<svg onload=alert(1)><path/></svg>a', 'a'];
        yield 'a frame' => ['<iframe src="https://x.example"></iframe>a', 'a'];
        yield 'a form' => ['<form action="/x"><input name=a></form>b', 'b'];
        yield 'styles' => ['<style>body{display:none}</style>a', 'a'];
        yield 'a slot of ours' => ['<!--slot:token-->a<!--slot:download:x-->', 'a'];
        yield 'never closed' => ['<b>a<i>b', '<b>a<i>b</i></b>'];
    }

    #[DataProvider('words')]
    public function test_what_is_kept_of_an_owners_html(string $in, string $kept): void
    {
        self::assertSame($kept, RichText::words($in)->html);
        self::assertSame($kept, RichText::words($kept)->html, 'cleaning twice changes nothing more');
    }

    public function test_emails_may_have_headings_and_pages_keep_their_own(): void
    {
        self::assertSame('<h2>a</h2>', RichText::email('<h2>a</h2>')->html);
        self::assertStringNotContainsString('<h2>', RichText::words('<h2>a</h2>')->html);
        self::assertSame("a b\nc", RichText::plain("  a  b\nc\x07\u{200B}\r "));
    }

    /** @return iterable<string, array{string, string}> */
    public static function letters(): iterable
    {
        yield 'paragraphs' => ['<p>Hello Robin,</p><p>thank you.</p>', "Hello Robin,\n\nthank you."];
        yield 'breaks' => ['<p>Warmly,<br>Imke</p>', "Warmly,\nImke"];
        yield 'a link is written out' => ['<p>Here: <a href="https://ferncroft.example/x">the plan</a></p>',
            "Here: the plan:\nhttps://ferncroft.example/x"];
        yield 'a link that is its own words' => ['<p><a href="https://ferncroft.example">https://ferncroft.example</a></p>',
            'https://ferncroft.example'];
        yield 'a list' => ['<p>Bring:</p><ul><li>a pencil</li><li>a chair</li></ul>', "Bring:\n\n- a pencil\n- a chair"];
        yield 'emails of all kinds' => ['<p>Größe &amp; Übung – für Zoë</p>', 'Größe & Übung – für Zoë'];
        yield 'long lines are folded' => ['<p>'.str_repeat('word ', 30).'</p>', trim(wordwrap(trim(str_repeat('word ', 30)), 76))];
        yield 'a long link is not' => ['<p><a href="https://ferncroft.example/'.str_repeat('a', 200).'">x</a></p>',
            "x:\nhttps://ferncroft.example/".str_repeat('a', 200)];
        yield 'nothing' => ['', ''];
    }

    #[DataProvider('letters')]
    public function test_an_email_as_plain_text(string $html, string $text): void
    {
        self::assertSame($text, PlainText::of($html));
    }

    public function test_a_slot_is_filled_once_and_only_by_us(): void
    {
        $html = Slots::withMergeFields('<p>Hi {{first_name|you &amp; me}}</p>'.Slots::name('value', 'email').Slots::name('unknown'));
        $filled = Slots::fill($html, ['value:email' => e('a"b<!--slot:token-->')], ['first_name' => '']);

        self::assertSame('<p>Hi you &amp; me</p>a&quot;b&lt;!--slot:token--&gt;', $filled);
        $named = Slots::fill($html, ['token' => 'SECRET'], ['first_name' => '<!--slot:token-->{{email}}', 'email' => 'x@example.com']);
        self::assertStringNotContainsString('SECRET', $named);
        self::assertStringNotContainsString('x@example.com', $named);
    }

    public function test_a_token_holds_for_its_page_and_its_time_alone(): void
    {
        $token = FormToken::issue('page-a');
        self::assertNotNull(FormToken::read($token, 'page-a', now()));
        self::assertNull(FormToken::read($token, 'page-b', now()));
        self::assertNull(FormToken::read(null, 'page-a', now()));
        self::assertNull(FormToken::read([$token], 'page-a', now()));
        self::assertNull(FormToken::read(substr($token, 0, -1).'0x', 'page-a', now()));
        [$nonce, $ms, $seal] = explode('.', $token);
        self::assertNull(FormToken::read("{$nonce}.".((int) $ms - 60_000).".{$seal}", 'page-a', now()), 'nobody makes it older');
        $this->travel(3)->seconds();
        self::assertEqualsWithDelta(3.0, FormToken::read($token, 'page-a', now())?->age, 0.5);
        $this->travel(8)->days();
        self::assertNull(FormToken::read($token, 'page-a', now()));
        self::assertNotSame(FormToken::issue('page-a'), FormToken::issue('page-a'));
    }

    public function test_ids_and_moments_have_one_form(): void
    {
        self::assertTrue(Ids::is(Ids::next()));
        foreach (['', 'x', strtoupper(Ids::next()), Ids::next().'0', "' or 1=1 --", str_repeat('l', 26)] as $not) {
            self::assertFalse(Ids::is($not), $not);
        }
        $at = CarbonImmutable::parse('2026-03-29 03:30:00.123456', 'Europe/Berlin');
        self::assertSame('2026-03-29 01:30:00.123', Instant::sql($at));
        self::assertSame('2026-03-29T01:30:00.123Z', Instant::json($at));
        self::assertSame('2026-03-29T01:30:00.123Z', Instant::jsonFromSql('2026-03-29 01:30:00.123456'));
        self::assertNull(Instant::json(null));
        self::assertNull(Instant::jsonFromSql(null));
    }
}
