<?php

declare(strict_types=1);

namespace Tests\Core\Emails;

use Lantern\Core\Emails\MergeFields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A value is put in knowing where it stands: in text, in an attribute, or in an address, of which it is never the beginning. */
final class MergeFieldPlacesTest extends TestCase
{
    private const VALUES = ['city' => 'a&b?c=d/../"<x>', 'bad' => 'javascript:alert(1)', 'host' => 'evil.example', 'again' => '{{city}}'];

    private const WHOLE = ['page_1' => 'https://pages.example/mine?a=1&b=2', 'script' => 'javascript:alert(1)',
        'shop' => ' https://shop.example '];

    /** @return iterable<string, array{string, string}> */
    public static function places(): iterable
    {
        $city = 'a%26b%3Fc%3Dd%2F..%2F%22%3Cx%3E';
        yield 'in text' => ['<p>{{city}}</p>', '<p>a&amp;b?c=d/../&quot;&lt;x&gt;</p>'];
        yield 'in an attribute' => ['<img alt="{{city}}">', '<img alt="a&amp;b?c=d/../&quot;&lt;x&gt;">'];
        yield 'in a query' => ['<a href="https://x.example/?c={{city}}">x</a>', "<a href=\"https://x.example/?c={$city}\">x</a>"];
        yield 'in a path' => ['<a href="https://x.example/{{city}}/y">x</a>', "<a href=\"https://x.example/{$city}/y\">x</a>"];
        yield 'with a fallback' => ['<a href="https://x.example/?c={{none|a b}}">x</a>', '<a href="https://x.example/?c=a%20b">x</a>'];
        yield 'in an address to write to' => ['<a href="mailto:me@x.example?subject={{city}}">x</a>',
            "<a href=\"mailto:me@x.example?subject={$city}\">x</a>"];
        yield 'as the beginning' => ['<a class="b" href="{{bad}}">x</a>', '<a class="b">x</a>'];
        yield 'as the scheme' => ['<a href="{{bad}}://x.example/">x</a>', '<a>x</a>'];
        yield 'as the host' => ['<a href="https://{{host}}/">x</a>', '<a>x</a>'];
        yield 'as the end of the host' => ['<a href="https://x.example{{host}}">x</a>', '<a>x</a>'];
        yield 'after blanks' => ['<a href="  {{bad}}">x</a>', '<a>x</a>'];
        yield 'of another scheme' => ['<a href="javascript:f(\'{{city}}\')">x</a>', '<a>x</a>'];
        yield 'in a form' => ['<form action="{{bad}}">', '<form>'];
        yield 'a whole address' => ['<a href="{{page_1}}">x</a>', '<a href="https://pages.example/mine?a=1&amp;b=2">x</a>'];
        yield 'a whole address with more' => ['<a href="{{shop}}/?c={{city}}">x</a>', "<a href=\"https://shop.example/?c={$city}\">x</a>"];
        yield 'a whole address that is none' => ['<a href="{{script}}">x</a>', '<a>x</a>'];
        yield 'a value that asks for another' => ['<p title="{{again}}">{{again}}</p><a href="https://x.example/{{again}}">',
            '<p title="{{city}}">{{city}}</p><a href="https://x.example/%7B%7Bcity%7D%7D">'];
        yield 'no field at all' => ['<a href="https://x.example/?a=1&amp;b">x</a>', '<a href="https://x.example/?a=1&amp;b">x</a>'];
    }

    #[DataProvider('places')]
    public function test_a_value_is_put_in_as_its_place_needs_it(string $html, string $filled): void
    {
        $value = fn (string $name, string $fallback): string => self::VALUES[$name] ?? $fallback;

        self::assertSame($filled,
            MergeFields::html($html, fn (string $n, string $f): string => htmlspecialchars($value($n, $f), ENT_QUOTES),
                fn (string $n, string $f): string => rawurlencode($value($n, $f)), self::WHOLE));
    }
}
