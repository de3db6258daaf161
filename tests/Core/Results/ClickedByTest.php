<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use Lantern\Core\Results\ClickedBy;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Who follows a link in an email. */
final class ClickedByTest extends TestCase
{
    private const BROWSER = ['user-agent' => 'Mozilla/5.0 (X11) Gecko/20100101 Firefox/140.0', 'accept-language' => 'en-GB',
        'sec-fetch-mode' => 'navigate', 'sec-fetch-dest' => 'document', 'sec-fetch-user' => '?1'];

    /** @return iterable<string, array{ClickedBy, array<string, string>, 2?: int|null, 3?: int, 4?: string}> */
    public static function requests(): iterable
    {
        yield 'a person' => [ClickedBy::Person, []];
        yield 'just late enough' => [ClickedBy::Person, [], ClickedBy::AT_ONCE];
        yield 'too soon to have read it' => [ClickedBy::Unsure, [], ClickedBy::AT_ONCE - 1];
        yield 'nobody knows when it went out' => [ClickedBy::Person, [], null];
        yield 'two links at once' => [ClickedBy::Person, [], 600, ClickedBy::MANY_LINKS - 1];
        yield 'too many links at once' => [ClickedBy::Unsure, [], 600, ClickedBy::MANY_LINKS];
        yield 'only the head' => [ClickedBy::Program, [], 600, 1, 'HEAD'];
        yield 'a program by name' => [ClickedBy::Program, ['user-agent' => 'curl/8.0']];
        foreach (['sec-purpose', 'purpose', 'x-moz'] as $header) {
            yield "ahead of time, by {$header}" => [ClickedBy::Program, [$header => 'prefetch']];
        }
        foreach (['sec-fetch-mode' => 'cors', 'sec-fetch-dest' => 'empty', 'sec-fetch-user' => '',
            'accept-language' => ' '] as $header => $value) {
            yield "no page that somebody asked for, by {$header}" => [ClickedBy::Unsure, [$header => $value]];
        }
    }

    /** @param  array<string, string>  $headers */
    #[DataProvider('requests')]
    public function test_who_it_is(ClickedBy $expected, array $headers, ?int $since = 600, int $justNow = 1, string $method = 'GET'): void
    {
        self::assertSame($expected, ClickedBy::of($method, $headers + self::BROWSER, $since, $justNow));
    }
}
