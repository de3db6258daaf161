<?php

declare(strict_types=1);

namespace Tests\Core\Domains;

use Lantern\Core\Domains\DomainName;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whatever somebody types or pastes as their domain is read as its name in the DNS, or refused with a sentence. */
final class DomainNameTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> what is typed, the name, and how it is shown */
    public static function names(): iterable
    {
        yield 'a name' => ['cello.example', 'cello.example', 'cello.example'];
        yield 'capitals and spaces' => ["  WWW.Cello.Example\n", 'www.cello.example', 'www.cello.example'];
        yield 'a whole address' => ['https://cello.example/free?utm_source=x#top', 'cello.example', 'cello.example'];
        yield 'a dot at the end' => ['cello.example.', 'cello.example', 'cello.example'];
        yield 'other letters' => ['Für-Cello.example', 'xn--fr-cello-65a.example', 'für-cello.example'];
        yield 'the same as the DNS writes it' => ['xn--fr-cello-65a.example', 'xn--fr-cello-65a.example', 'für-cello.example'];
        yield 'another script, with its own dot' => ['例え。テスト', 'xn--r8jz45g.xn--zckzah', '例え.テスト'];
        yield 'a letter that English has not, kept' => ['straße.example', 'xn--strae-oqa.example', 'straße.example'];
        yield 'wide letters' => ['ｃｅｌｌｏ.example', 'cello.example', 'cello.example'];
        yield 'the longest part' => [str_repeat('a', 63).'.example', str_repeat('a', 63).'.example', str_repeat('a', 63).'.example'];
        yield 'digits' => ['12.months.example', '12.months.example', '12.months.example'];
    }

    #[DataProvider('names')]
    public function test_it_is_read(string $typed, string $name, string $shown): void
    {
        $read = DomainName::of($typed);
        self::assertSame([$name, $shown], [$read->ascii, $read->shown()]);
        self::assertSame($name, DomainName::of($read->shown())->ascii, 'what is shown can be typed again');
    }

    /** @return iterable<string, array{string}> */
    public static function others(): iterable
    {
        foreach (['', '   ', 'cello', 'localhost', '127.0.0.1', '0x7f.0.0.1', '2130706433', '[::1]', '::1', 'https://', 'a..example',
            '.example', '-a.example', 'a-.example', 'a_b.example', 'a b.example', "a\0b.example", 'a%00.example', '*.example',
            str_repeat('a', 64).'.example', str_repeat('abcdefghi.', 26).'example', 'cello.example:8080', 'me@cello.example',
            'user:word@cello.example', 'cello.local', 'cello.internal', 'x.home.arpa', 'cello.localhost', "cello.example\nHost: x",
            'xn--a.example', "\u{202e}cello.example", 'cello.example\\@evil.example', 'cello.123', "\xff\xfe.example",
            str_repeat('ä', 2000).'.example'] as $typed) {
            yield substr((string) json_encode($typed, JSON_INVALID_UTF8_SUBSTITUTE), 0, 60) => [$typed];
        }
    }

    #[DataProvider('others')]
    public function test_it_is_refused_with_a_sentence(string $typed): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessageMatches('/^[A-Z].+\.$/');
        DomainName::of($typed);
    }

    public function test_a_name_of_this_machine_is_one_where_the_application_stands_on_it(): void
    {
        self::assertSame('cello.localhost', DomainName::of('http://cello.localhost/', true)->ascii);
        $this->expectException(Invalid::class);
        DomainName::of('cello.local', true);
    }
}
