<?php

declare(strict_types=1);

namespace Tests\Core\People;

use Lantern\Core\People\EmailAddress;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class EmailAddressTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> typed, display, key */
    public static function good(): iterable
    {
        yield 'plain' => ['robin@example.com', 'robin@example.com', 'robin@example.com'];
        yield 'capitals are one person' => ['Robin.Ash@Example.COM', 'Robin.Ash@Example.COM', 'robin.ash@example.com'];
        yield 'blanks around it' => ["\u{00A0} robin@example.com\t\n", 'robin@example.com', 'robin@example.com'];
        yield 'a plus is part of the address' => ['robin+cello@example.com', 'robin+cello@example.com', 'robin+cello@example.com'];
        yield 'quoted' => ['"robin ash"@example.com', '"robin ash"@example.com', '"robin ash"@example.com'];
        yield 'quotes that quote nothing' => ['"robin"@example.com', '"robin"@example.com', 'robin@example.com'];
        yield 'a domain with a letter of its own' => ['robin@faß.example', 'robin@faß.example', 'robin@xn--fa-hia.example'];
        yield 'an accent apart from its letter' => ["zoe\u{0308}@bu\u{0308}cher.example", 'zoë@bücher.example',
            'zoë@xn--bcher-kva.example'];
        yield 'a local part as long as may be' => [str_repeat('a', 64).'@example.com', str_repeat('a', 64).'@example.com',
            str_repeat('a', 64).'@example.com'];
        yield 'a domain in its own letters' => ['zoë@bücher.example', 'zoë@bücher.example', 'zoë@xn--bcher-kva.example'];
        yield 'the same domain in ASCII' => ['zoë@XN--bcher-kva.example', 'zoë@XN--bcher-kva.example', 'zoë@xn--bcher-kva.example'];
        yield 'odd but valid' => ["o'hara_{x}@sub.domain.example", "o'hara_{x}@sub.domain.example", "o'hara_{x}@sub.domain.example"];
    }

    #[DataProvider('good')]
    public function test_what_is_an_address(string $typed, string $display, string $key): void
    {
        $address = EmailAddress::of($typed);

        self::assertSame([$display, $key], [$address->display, $address->key]);
    }

    public function test_the_envelope_has_the_domain_in_ascii(): void
    {
        self::assertSame('Zoë@xn--bcher-kva.example', EmailAddress::of('Zoë@bücher.example')->forEnvelope());
    }

    /** @return iterable<string, array{string}> */
    public static function bad(): iterable
    {
        foreach (['', '   ', 'robin', '@example.com', 'robin@', 'robin@localhost', 'robin@example..com', 'robin@-example.com',
            'robin@example.c_m', 'a b@example.com',
            'robin@example.com, ash@example.com', "robin@example.com\r\nBcc: all@example.com", "robin\0@example.com", 'robin@[127.0.0.1]',
            'Robin <robin@example.com>', '(hello)robin@example.com', 'robin(hello)@example.com', 'robin @example.com', 'robin@ example.com',
            'robin@(x)example.com', str_repeat('a', 65).'@example.com', str_repeat('ä', 33).'@example.com',
            "\xC3\x28@example.com", str_repeat('a', 250).'@example.com', 'robin@example.com>', '<script>@example.com'] as $typed) {
            yield strlen($typed).': '.json_encode(mb_strimwidth(mb_scrub($typed), 0, 40), JSON_THROW_ON_ERROR) => [$typed];
        }
    }

    #[DataProvider('bad')]
    public function test_what_is_none(string $typed): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessageMatches('/^Please fill in your email address|does not look like an email address/');
        EmailAddress::of($typed);
    }
}
