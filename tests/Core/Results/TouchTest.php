<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use Lantern\Core\Results\Device;
use Lantern\Core\Results\Touch;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TouchTest extends TestCase
{
    /** @return iterable<string, array{array<string, string>, string, string}> */
    public static function touches(): iterable
    {
        yield 'what the link says' => [['utm_source' => ' News-Letter '], 'https://search.example/', 'news-letter'];
        yield 'a ref where nothing else is said' => [['ref' => 'Robin'], '', 'robin'];
        yield 'the host that led here' => [[], 'https://www.search.example/find?q=cello', 'search.example'];
        yield 'a phone’s host' => [[], 'https://m.friends.example/', 'friends.example'];
        yield 'our own page' => [[], 'https://pages.test/plan', ''];
        yield 'our own page, in capitals' => [[], 'https://PAGES.test/plan', ''];
        yield 'nothing' => [[], '', ''];
        yield 'an empty name' => [['utm_source' => " \t"], '', ''];
        yield 'no address' => [[], 'javascript:alert(1)', ''];
        yield 'a host that is none' => [[], 'https://<script>/', ''];
        yield 'another line' => [['utm_source' => "a\nb\0c"], '', 'a b c'];
        yield 'bytes that are no text' => [['utm_source' => "\xff\xfe"], '', '??'];
        yield 'too long' => [['utm_source' => str_repeat('ä', 200)], '', str_repeat('ä', 60)];
    }

    /** @param  array<string, string>  $source */
    #[DataProvider('touches')]
    public function test_where_a_visit_came_from(array $source, string $referrer, string $touch): void
    {
        self::assertSame($touch, Touch::of($source, $referrer, ['pages.test']));
    }

    /** @return iterable<string, array{string|null, Device|null}> */
    public static function browsers(): iterable
    {
        yield 'a phone' => ['Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 Mobile/15E148', Device::Phone];
        yield 'another phone' => ['Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36', Device::Phone];
        yield 'a tablet' => ['Mozilla/5.0 (Linux; Android 15; Slate) AppleWebKit/537.36 Chrome/140.0 Safari/537.36', Device::Tablet];
        yield 'another tablet' => ['Mozilla/5.0 (iPad; CPU OS 17_0 like Mac OS X) AppleWebKit/605.1.15 Mobile/15E148', Device::Tablet];
        yield 'a computer' => ['Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36',
            Device::Computer];
        yield 'no name' => ['  ', null];
        yield 'nothing' => [null, null];
    }

    #[DataProvider('browsers')]
    public function test_by_what_device(?string $name, ?Device $device): void
    {
        self::assertSame($device, Device::of($name));
    }
}
