<?php

declare(strict_types=1);

namespace Tests\Core\Emails;

use Lantern\Core\Emails\RecipientName;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RecipientNameTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function names(): iterable
    {
        yield 'a name' => ['Robin Ash', 'Robin Ash'];
        yield 'with blanks' => ["  Robin \t Ash ", 'Robin Ash'];
        yield 'of other scripts' => ['Łukasz 田中 Ó’Brien-Smith', 'Łukasz 田中 Ó’Brien-Smith'];
        yield 'with initials' => ['J. R. Ash, Dr.', 'J. R. Ash, Dr.'];
        yield 'written apart from its accent' => ["Zoe\u{0308}", "Zoe\u{0308}"];
        yield 'an address' => ['robin@example.com', ''];
        yield 'a web address' => ['https://win.example', ''];
        yield 'a host' => ['win.example', ''];
        yield 'a host in a message' => ['You won at win.example today', ''];
        yield 'a number to call' => ['Call 0800 123', ''];
        yield 'a message' => ['Dear customer, your account is closed unless you reply to this at once', ''];
        yield 'another header' => ["Robin\r\nBcc: x", ''];
        yield 'turned around' => ["Robin\u{202e}hsA", ''];
        yield 'nothing' => ['', ''];
        yield 'no text at all' => ["\xff", ''];
    }

    #[DataProvider('names')]
    public function test_only_a_name_stands_beside_an_address(string $typed, string $name): void
    {
        self::assertSame($name, RecipientName::of($typed));
    }
}
